-- A file that waits, and one that is being brought in.
insert into waiting_file (id, plan_id, account, name, bytes, put_at) values (':plan-file', ':plan', 'operating', 'march.csv', 2, timestamp with time zone '2026-12-01 09:00:00+00:00');
insert into waiting_file_part (file_id, part, content) values (':plan-file', 0, X'4142');
insert into bringing_in (id, plan_id, program, over, stands, stop_asked) values ('job-:plan', ':plan', 'p', true, '{}', false);
