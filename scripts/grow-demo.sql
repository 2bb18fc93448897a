-- Multiplies what lies in a demo database, so that screens can be measured on more of it: :copies more of every student, with
-- their file, weeks, sessions and figures, and of every plan. Ids are made from the old ones, so that rows still fit together.
-- Run with psql -v copies=14 -v blocks=0; every block adds thirteen older weeks to everybody.
\set ON_ERROR_STOP on
BEGIN;
SET CONSTRAINTS ALL DEFERRED;
CREATE FUNCTION pg_temp.copied(id uuid, k int) RETURNS uuid LANGUAGE sql IMMUTABLE AS $$ SELECT md5(id::text || '/' || k)::uuid $$;
CREATE TEMP TABLE ks AS SELECT k FROM generate_series(1, :copies) k;

INSERT INTO plans (academy_id, id, title, document, listing, purpose, areas, minutes, is_homework, updated_at, removed_at, version)
SELECT academy_id, pg_temp.copied(id, k), title || ' ' || k, document, listing, purpose, areas, minutes, is_homework, updated_at, removed_at, version
FROM plans, ks;
INSERT INTO students (academy_id, id, name, hand, level, coach_note, version)
SELECT academy_id, pg_temp.copied(id, k), name || ' ' || k, hand, level, coach_note, version FROM students, ks;
INSERT INTO student_files (academy_id, student_id, document, version)
SELECT academy_id, pg_temp.copied(student_id, k), document, version FROM student_files, ks;
INSERT INTO assignments (academy_id, id, student_id, plan_id, monday, day, requirement, document, published_at, changed_at,
  taken_out_at, excuse, version, planned_minutes, done_minutes, is_whole, has_log, is_finished, is_trimmed, ended_by_pain,
  practised_on, listing, figures)
SELECT academy_id, pg_temp.copied(id, k), pg_temp.copied(student_id, k), pg_temp.copied(plan_id, k), monday, day, requirement,
  document, published_at, changed_at, taken_out_at, excuse, version, planned_minutes, done_minutes, is_whole, has_log, is_finished,
  is_trimmed, ended_by_pain, practised_on, listing, figures
FROM assignments, ks;
INSERT INTO plan_uses (academy_id, plan_id, student_id, last_on)
SELECT academy_id, pg_temp.copied(plan_id, k), pg_temp.copied(student_id, k), last_on FROM plan_uses, ks;
INSERT INTO published_sessions (academy_id, assignment_id, drills, trim)
SELECT academy_id, pg_temp.copied(assignment_id, k), drills, trim FROM published_sessions, ks;
INSERT INTO session_logs (academy_id, id, student_id, assignment_id, account_id, continues_log_id, continues_sequence, clock_was_off,
  day, finished_at, last_sequence, last_at, text_length, lesson_notes, minutes, effort, has_note, pain, checkpoint, log)
SELECT academy_id, pg_temp.copied(id, k), pg_temp.copied(student_id, k), pg_temp.copied(assignment_id, k), account_id,
  pg_temp.copied(continues_log_id, k), continues_sequence, clock_was_off, day, finished_at, last_sequence, last_at, text_length,
  lesson_notes, minutes, effort, has_note, pain, checkpoint, log
FROM session_logs, ks;
INSERT INTO session_entries (academy_id, log_id, sequence, clock_shift, drill_segment_id, document)
SELECT academy_id, pg_temp.copied(log_id, k), sequence, clock_shift, drill_segment_id, document FROM session_entries, ks;
INSERT INTO drill_measures (academy_id, log_id, segment_id, measure, student_id, drill_id, comparability_key, day, value, attempts)
SELECT academy_id, pg_temp.copied(log_id, k), segment_id, measure, pg_temp.copied(student_id, k), drill_id, comparability_key, day,
  value, attempts
FROM drill_measures, ks;

-- Older history of every student: the same weeks again, a block earlier each time.
CREATE TEMP TABLE blocks AS SELECT b FROM generate_series(1, :blocks) b;
CREATE TEMP TABLE whole AS SELECT * FROM assignments;
CREATE TEMP TABLE logs AS SELECT * FROM session_logs;
INSERT INTO assignments (academy_id, id, student_id, plan_id, monday, day, requirement, document, published_at, changed_at,
  taken_out_at, excuse, version, planned_minutes, done_minutes, is_whole, has_log, is_finished, is_trimmed, ended_by_pain,
  practised_on, listing, figures)
SELECT academy_id, pg_temp.copied(id, -b), student_id, plan_id, monday - 91 * b, day - 91 * b, requirement, document,
  published_at - 91 * b * interval '1 day', changed_at, taken_out_at, excuse, version, planned_minutes, done_minutes, is_whole,
  has_log, is_finished, is_trimmed, ended_by_pain, practised_on - 91 * b, listing, figures
FROM whole, blocks;
INSERT INTO published_sessions (academy_id, assignment_id, drills, trim)
SELECT p.academy_id, pg_temp.copied(p.assignment_id, -b), p.drills, p.trim
FROM published_sessions p JOIN whole w ON w.id = p.assignment_id, blocks;
INSERT INTO session_logs (academy_id, id, student_id, assignment_id, account_id, continues_log_id, continues_sequence, clock_was_off,
  day, finished_at, last_sequence, last_at, text_length, lesson_notes, minutes, effort, has_note, pain, checkpoint, log)
SELECT academy_id, pg_temp.copied(id, -b), student_id, pg_temp.copied(assignment_id, -b), account_id,
  pg_temp.copied(continues_log_id, -b), continues_sequence, clock_was_off, day - 91 * b, finished_at - 91 * b * interval '1 day',
  last_sequence, last_at - 91 * b * interval '1 day', text_length, lesson_notes, minutes, effort, has_note, pain, checkpoint, log
FROM logs, blocks;
INSERT INTO drill_measures (academy_id, log_id, segment_id, measure, student_id, drill_id, comparability_key, day, value, attempts)
SELECT m.academy_id, pg_temp.copied(m.log_id, -b), m.segment_id, m.measure, m.student_id, m.drill_id, m.comparability_key,
  m.day - 91 * b, m.value, m.attempts
FROM drill_measures m JOIN logs l ON l.id = m.log_id, blocks;
COMMIT;
ANALYZE;
SELECT (SELECT count(*) FROM students) AS students, (SELECT count(*) FROM plans) AS plans,
  (SELECT count(*) FROM assignments) AS sessions, (SELECT count(*) FROM drill_measures) AS figures;
