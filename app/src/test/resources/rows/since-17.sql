-- A person with a second factor, who has signed in and owns the plan; an invitation to it, a link, and what happened.
insert into person (id, name, login, password, steward, shut_out, second_factor, factor_used, made_at) values
  ('ada-:plan', 'Ada', 'ada@:plan', 'hash', true, false, 'JBSWY3DPEHPK3PXP', 57000000, timestamp with time zone '2026-12-01 09:00:00+00:00');
insert into recovery_code (person_id, hash) values ('ada-:plan', 'hash-of-a-code');
insert into sign_in (hash, id, person_id, begun_at, seen_at, address, program) values
  ('word-:plan', 's-:plan', 'ada-:plan', timestamp with time zone '2026-12-01 09:00:00+00:00', timestamp with time zone '2026-12-01 09:30:00+00:00', '10.0.0.7', 'a browser');
insert into plan_member (plan_id, person_id, role) values (':plan', 'ada-:plan', 'OWNER');
insert into invitation (hash, plan_id, role, person_id, made_by, until_time) values
  ('invited-:plan', ':plan', 'EDITOR', null, 'Ada', timestamp with time zone '2026-12-08 09:00:00+00:00');
insert into viewer_link (id, hash, plan_id, note, made_by, made_at, until_time, taken_back) values
  ('l-:plan', 'link-:plan', ':plan', 'for the bank', 'Ada', timestamp with time zone '2026-12-01 09:00:00+00:00', timestamp with time zone '2026-12-31 09:00:00+00:00', false);
insert into happening (at_time, author, plan_id, kind, words) values
  (timestamp with time zone '2026-12-01 09:00:00+00:00', 'Ada', ':plan', 'LINK', 'Made a link');
