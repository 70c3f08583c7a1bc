-- An edit that was taken back by somebody, and somebody who has the plan open.
insert into replay (plan_id, version, seq, back, author, made_at) values (':plan', 2, 1, false, 'Ada', timestamp with time zone '2026-12-01 09:00:00+00:00');
insert into present (tab, plan_id, name, place, seen_at) values ('tab-:plan', ':plan', 'Ada', 'forecast', timestamp with time zone '2026-12-01 09:00:00+00:00');
