-- Makes a large world out of a demo's database, in SQL alone, so that it takes minutes and not days. Documents are copied as they lie,
-- compressed: each is one that the application wrote. Run with psql -v today=2026-05-06 and
--   -v copies=9        so many more of every student, with file, weeks, sessions, logs, results and standing
--   -v plans=17        so many more of every plan
--   -v blocks=0        so many times the same weeks again, thirteen weeks earlier each time
--   -v academies=0     so many more academies like the one that has become of it
-- Entries are copied for the last eight weeks alone, measures for all. What other academies practised more than a quarter of a year
-- ago is thinned to one session a week, which keeps a thousand students over two years at about five gigabytes.
\set ON_ERROR_STOP on
-- What grows answers nothing worth printing.
\o /dev/null
BEGIN;
CREATE FUNCTION pg_temp.copied(id uuid, k int) RETURNS uuid LANGUAGE sql IMMUTABLE PARALLEL SAFE AS $$
  SELECT md5(id::text || '/' || k)::uuid $$;

-- Rows of a table once more for every row of another relation, some columns made anew and all others as they are.
CREATE FUNCTION pg_temp.grow(target text, source text, anew jsonb) RETURNS void LANGUAGE plpgsql AS $$
DECLARE names text; vals text;
BEGIN
  SELECT string_agg(quote_ident(attname), ', ' ORDER BY attnum),
         string_agg(coalesce(anew ->> attname, 't.' || quote_ident(attname)), ', ' ORDER BY attnum)
    INTO names, vals FROM pg_attribute WHERE attrelid = target::regclass AND attnum > 0 AND NOT attisdropped;
  EXECUTE format('INSERT INTO %I (%s) SELECT %s FROM %s', target, names, vals, source);
END $$;

CREATE TEMP TABLE ks AS SELECT k FROM generate_series(1, :copies) k;
CREATE TEMP TABLE ps AS SELECT k FROM generate_series(1, :plans) k;
CREATE TEMP TABLE recent AS SELECT id, academy_id FROM session_logs WHERE day > :'today'::date - 56;

SELECT pg_temp.grow('plans', 'plans t, ps', '{"id": "pg_temp.copied(t.id, k)", "title": "t.title || '' '' || k"}');
SELECT pg_temp.grow('students', 'students t, ks', '{"id": "pg_temp.copied(t.id, k)", "name": "t.name || '' '' || k"}');
SELECT pg_temp.grow(r, r || ' t, ks', '{"student_id": "pg_temp.copied(t.student_id, k)"}')
  FROM unnest(ARRAY['student_files', 'plan_uses', 'student_standings', 'squad_members', 'week_words']) r;
SELECT pg_temp.grow('rounds', 'rounds t, ks', '{"id": "pg_temp.copied(t.id, k)", "student_id": "pg_temp.copied(t.student_id, k)"}');
SELECT pg_temp.grow('assignments', 'assignments t, ks',
  '{"id": "pg_temp.copied(t.id, k)", "student_id": "pg_temp.copied(t.student_id, k)"}');
SELECT pg_temp.grow('published_sessions', 'published_sessions t, ks', '{"assignment_id": "pg_temp.copied(t.assignment_id, k)"}');
SELECT pg_temp.grow('session_logs', 'session_logs t, ks', '{"id": "pg_temp.copied(t.id, k)",
  "student_id": "pg_temp.copied(t.student_id, k)", "assignment_id": "pg_temp.copied(t.assignment_id, k)",
  "continues_log_id": "pg_temp.copied(t.continues_log_id, k)"}');
SELECT pg_temp.grow('session_entries', 'session_entries t JOIN recent r ON r.id = t.log_id, ks',
  '{"log_id": "pg_temp.copied(t.log_id, k)"}');
SELECT pg_temp.grow('drill_results', 'drill_results t, ks', '{"log_id": "pg_temp.copied(t.log_id, k)",
  "student_id": "pg_temp.copied(t.student_id, k)", "assignment_id": "pg_temp.copied(t.assignment_id, k)"}');

-- Older history of everybody: the same weeks again, earlier each time.
CREATE TEMP TABLE blocks AS SELECT b, 91 * b AS days FROM generate_series(1, :blocks) b;
CREATE TEMP TABLE whole AS SELECT academy_id, id FROM assignments;
CREATE TEMP TABLE logs AS SELECT academy_id, id FROM session_logs;
CREATE TEMP TABLE played AS SELECT academy_id, student_id, id FROM rounds;
SELECT pg_temp.grow('assignments', 'assignments t JOIN whole w USING (academy_id, id), blocks', '{"id": "pg_temp.copied(t.id, -b)",
  "monday": "t.monday - days", "day": "t.day - days", "published_at": "t.published_at - days * interval ''1 day''",
  "practised_on": "t.practised_on - days"}');
SELECT pg_temp.grow('published_sessions',
  'published_sessions t JOIN whole w ON w.academy_id = t.academy_id AND w.id = t.assignment_id, blocks',
  '{"assignment_id": "pg_temp.copied(t.assignment_id, -b)"}');
SELECT pg_temp.grow('session_logs', 'session_logs t JOIN logs USING (academy_id, id), blocks', '{"id": "pg_temp.copied(t.id, -b)",
  "assignment_id": "pg_temp.copied(t.assignment_id, -b)", "continues_log_id": "pg_temp.copied(t.continues_log_id, -b)",
  "day": "t.day - days", "finished_at": "t.finished_at - days * interval ''1 day''",
  "last_at": "t.last_at - days * interval ''1 day''"}');
SELECT pg_temp.grow('drill_results', 'drill_results t JOIN logs l ON l.academy_id = t.academy_id AND l.id = t.log_id, blocks',
  '{"log_id": "pg_temp.copied(t.log_id, -b)", "day": "t.day - days", "assignment_id": "pg_temp.copied(t.assignment_id, -b)"}');
SELECT pg_temp.grow('rounds', 'rounds t JOIN played p USING (academy_id, student_id, id), blocks',
  '{"id": "pg_temp.copied(t.id, -b)", "day": "t.day - days"}');

-- Other academies: the same rows behind another wall, looked after by other people.
CREATE TEMP TABLE others AS SELECT a AS k, md5('academy ' || a)::uuid AS wall FROM generate_series(1, :academies) a;
CREATE TEMP TABLE here AS SELECT id FROM academies LIMIT 1;
SELECT pg_temp.grow('academies', 'academies t, others', '{"id": "wall", "name": "t.name || '' '' || k", "demo_day": "NULL"}');
ALTER TABLE accounts ALTER CONSTRAINT fk_accounts_students_academy_id_student_id DEFERRABLE INITIALLY DEFERRED;
SELECT pg_temp.grow('accounts', 'accounts t, others', '{"id": "pg_temp.copied(t.id, k)", "academy_id": "wall",
  "email": "k || t.email", "user_name": "k || t.user_name", "normalized_email": "k || t.normalized_email",
  "normalized_user_name": "k || t.normalized_user_name"}');
CREATE TEMP TABLE thinned AS SELECT academy_id, id FROM (
  SELECT academy_id, id, monday, row_number() OVER (PARTITION BY academy_id, student_id, monday ORDER BY id) AS n FROM assignments
  ) of WHERE n = 1 OR monday > :'today'::date - 91;
ANALYZE thinned;
SELECT pg_temp.grow(r, r || ' t JOIN here ON here.id = t.academy_id' || CASE
  WHEN r = 'assignments' THEN ' JOIN thinned s ON s.academy_id = t.academy_id AND s.id = t.id'
  WHEN r IN ('published_sessions', 'session_logs', 'drill_results')
    THEN ' JOIN thinned s ON s.academy_id = t.academy_id AND s.id = t.assignment_id'
  ELSE '' END || ', others', '{"academy_id": "wall",
  "coach_id": "pg_temp.copied(t.coach_id, k)", "account_id": "pg_temp.copied(t.account_id, k)",
  "said_by": "pg_temp.copied(t.said_by, k)"}')
  FROM unnest(ARRAY['plans', 'drills', 'places', 'courses', 'students', 'squads', 'student_files', 'plan_uses', 'student_standings',
    'squad_members', 'week_words', 'rounds', 'assignments', 'published_sessions', 'session_logs', 'session_entries',
    'drill_results']) WITH ORDINALITY AS of(r, n) ORDER BY n;
SET CONSTRAINTS ALL IMMEDIATE;
ALTER TABLE accounts ALTER CONSTRAINT fk_accounts_students_academy_id_student_id NOT DEFERRABLE;
COMMIT;
VACUUM ANALYZE;
\o
SELECT (SELECT count(*) FROM students) AS students, (SELECT count(*) FROM plans) AS plans,
  (SELECT count(*) FROM assignments) AS sessions, (SELECT count(*) FROM session_entries) AS entries,
  (SELECT count(*) FROM drill_results) AS results, pg_size_pretty(pg_database_size(current_database())) AS size;
