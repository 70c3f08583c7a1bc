insert into item_day (plan_id, statement_id, account, line_id, item_id, booking_date, minor, closed)
  values (':plan', 's1', 'bank', 'sales', 'i1', date '2026-02-23', 40000, 40000);
insert into snapshot (plan_id, id, name, note, taken_at, as_of, horizon_end, cash, low_water_day, low_water_cash, active, seq, whole, content, content_size, closing_cash, protected, commentary)
  values (':plan', ':plan-whole', 'Kept', 'n', timestamp with time zone '2026-03-01 09:00:00+00', date '2025-12-31', date '2026-12-31', 10000000, date '2026-01-01', 10000000, true,
  next value for snapshot_seq, true, X'78017b3a9ff1d222c6865b47381919598b1373528b5983412403ab809185b99141a2856592714aaa8599a929c36446a603dd82cc40cc888629126b9aa2c5888699d1f82079a2c5e61dd46504e13908cc8cc486896388cd3aa8cb0cc48c68987906500c84274d36066156280de64f986ccc0cc48c689828b113efac58809811848f41303394663c02e483f0a17756cc400ca291310b1a9fb9638212231aa648ac0d681e08ef99cbc9b80b8299a1348c0fa2291163600000046ddffe',
  187, 53480445, true, 'as agreed');
insert into variance_note (plan_id, id, note) values (':plan', ':plan-whole|2026-01-01|2026-01-31|sales', 'late shops');
