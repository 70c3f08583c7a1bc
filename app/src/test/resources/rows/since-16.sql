-- An edit that was undone says which version that made.
insert into replay (plan_id, version, seq, back) values (':plan', 1, 1, true);
