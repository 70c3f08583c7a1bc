-- A buoy that was answered.
insert into buoy (plan_id, id, line_row, first_day, last_day, note, author, left_at, answers) values
  (':plan', 'answered', 'closing', date '2026-12-07', date '2026-12-13', 'too low?', 'Ada', timestamp with time zone '2026-12-01 09:00:00+00:00',
   '[{"id":"r1","author":"Ben","at":"2026-12-01T09:05:00Z","words":"the loan comes on Friday"}]');
