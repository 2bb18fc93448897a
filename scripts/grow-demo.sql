-- Multiplies what lies in a demo database, so that screens can be measured on more of it: :copies more of every student, with
-- their file, weeks, sessions and figures, and of every plan. Ids are made from the old ones, so that rows still fit together;
-- every other column stays as it was.
-- Run with psql -v copies=14 -v blocks=0; every block adds thirteen older weeks to everybody.
\set ON_ERROR_STOP on
BEGIN;
SET CONSTRAINTS ALL DEFERRED;
CREATE FUNCTION pg_temp.copied(id uuid, k int) RETURNS uuid LANGUAGE sql IMMUTABLE AS $$ SELECT md5(id::text || '/' || k)::uuid $$;
CREATE TEMP TABLE ks AS SELECT k FROM generate_series(1, :copies) k;

INSERT INTO plans SELECT new.* FROM plans t, ks,
  jsonb_populate_record(t, jsonb_build_object('id', pg_temp.copied(id, k), 'title', title || ' ' || k)) new;
INSERT INTO students SELECT new.* FROM students t, ks,
  jsonb_populate_record(t, jsonb_build_object('id', pg_temp.copied(id, k), 'name', name || ' ' || k)) new;
INSERT INTO student_files SELECT new.* FROM student_files t, ks,
  jsonb_populate_record(t, jsonb_build_object('student_id', pg_temp.copied(student_id, k))) new;
INSERT INTO assignments SELECT new.* FROM assignments t, ks,
  jsonb_populate_record(t, jsonb_build_object('id', pg_temp.copied(id, k), 'student_id', pg_temp.copied(student_id, k),
    'plan_id', pg_temp.copied(plan_id, k))) new;
INSERT INTO plan_uses SELECT new.* FROM plan_uses t, ks,
  jsonb_populate_record(t, jsonb_build_object('plan_id', pg_temp.copied(plan_id, k), 'student_id', pg_temp.copied(student_id, k))) new;
INSERT INTO published_sessions SELECT new.* FROM published_sessions t, ks,
  jsonb_populate_record(t, jsonb_build_object('assignment_id', pg_temp.copied(assignment_id, k))) new;
INSERT INTO session_logs SELECT new.* FROM session_logs t, ks,
  jsonb_populate_record(t, jsonb_build_object('id', pg_temp.copied(id, k), 'student_id', pg_temp.copied(student_id, k),
    'assignment_id', pg_temp.copied(assignment_id, k), 'continues_log_id', pg_temp.copied(continues_log_id, k))) new;
INSERT INTO session_entries SELECT new.* FROM session_entries t, ks,
  jsonb_populate_record(t, jsonb_build_object('log_id', pg_temp.copied(log_id, k))) new;
INSERT INTO drill_results SELECT new.* FROM drill_results t, ks,
  jsonb_populate_record(t, jsonb_build_object('log_id', pg_temp.copied(log_id, k), 'student_id', pg_temp.copied(student_id, k),
    'assignment_id', pg_temp.copied(assignment_id, k))) new;
INSERT INTO student_standings SELECT new.* FROM student_standings t, ks,
  jsonb_populate_record(t, jsonb_build_object('student_id', pg_temp.copied(student_id, k))) new;

-- Older history of every student: the same weeks again, a block earlier each time.
CREATE TEMP TABLE blocks AS SELECT b, 91 * b AS days FROM generate_series(1, :blocks) b;
CREATE TEMP TABLE whole AS SELECT * FROM assignments;
CREATE TEMP TABLE logs AS SELECT * FROM session_logs;
INSERT INTO assignments SELECT new.* FROM assignments t JOIN whole w ON w.id = t.id, blocks,
  jsonb_populate_record(t, jsonb_build_object('id', pg_temp.copied(t.id, -b), 'monday', t.monday - days, 'day', t.day - days,
    'published_at', t.published_at - days * interval '1 day', 'practised_on', t.practised_on - days)) new;
INSERT INTO published_sessions SELECT new.* FROM published_sessions t JOIN whole w ON w.id = t.assignment_id, blocks,
  jsonb_populate_record(t, jsonb_build_object('assignment_id', pg_temp.copied(assignment_id, -b))) new;
INSERT INTO session_logs SELECT new.* FROM session_logs t JOIN logs l ON l.id = t.id, blocks,
  jsonb_populate_record(t, jsonb_build_object('id', pg_temp.copied(t.id, -b), 'assignment_id', pg_temp.copied(t.assignment_id, -b),
    'continues_log_id', pg_temp.copied(t.continues_log_id, -b), 'day', t.day - days,
    'finished_at', t.finished_at - days * interval '1 day', 'last_at', t.last_at - days * interval '1 day')) new;
INSERT INTO drill_results SELECT new.* FROM drill_results t JOIN logs l ON l.id = t.log_id, blocks,
  jsonb_populate_record(t, jsonb_build_object('log_id', pg_temp.copied(t.log_id, -b), 'day', t.day - days,
    'assignment_id', pg_temp.copied(t.assignment_id, -b))) new;
COMMIT;
ANALYZE;
SELECT (SELECT count(*) FROM students) AS students, (SELECT count(*) FROM plans) AS plans,
  (SELECT count(*) FROM assignments) AS sessions, (SELECT count(*) FROM drill_results) AS figures;
