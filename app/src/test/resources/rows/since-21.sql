-- A program, a task that it took on.
insert into process (id, seen_at) values ('process-:plan', timestamp with time zone '2026-12-01 09:00:00+00:00');
insert into task_taken (name, on_day) values ('backup-:plan', date '2026-12-01');
