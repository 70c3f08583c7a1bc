-- What a program of the first schema kept, in every table of it. ':plan' is the plan, '#' a number of its own.
insert into plan (id, name, version, settings, made_at) values (':plan', 'Limpet Rock', 3,
  '{"name":"Limpet Rock","currency":"GBP","asOf":"2026-03-01","firstDayOfWeek":"monday","firstFiscalMonth":"april","horizonMonths":12,"amountSteps":"first-day","minimumCash":[{"from":"2026-01-01","value":"500.00"}],"facility":{"name":"Overdraft","limit":[{"from":"2026-01-01","value":"2000.00"}]},"countedReceipts":["certain","likely"],"countedPayments":["certain","likely","possible"]}',
  timestamp with time zone '2026-03-01 09:00:00+00');
insert into account (plan_id, id, position, name, country, restricted, balance_date, balance)
  values (':plan', 'bank', 1, 'Bank', 'GB', false, date '2026-01-31', 1000000);
insert into line (plan_id, id, position, parent, name, direction, active, account, note, assumption_version, assumption, overrides) values
  (':plan', 'trade', 1, null, 'Trade', 'receipt', true, null, '', 1, '{"kind":"group"}', '[]'),
  (':plan', 'sales', 2, 'trade', 'Sales', 'receipt', true, null, 'to shops', 1,
   '{"kind":"stream","method":{"kind":"typed","amounts":{"2026-03":"84000.00","2026-04":"91500.00"}},"aside":[],"history":{"2026-02":"80000.00"},"overrides":{},"tax":{"rate":"0","gross":false},"pattern":{"steps":[{"share":"35","lag":0,"discount":"0"},{"share":"65","lag":1,"discount":"0"}],"never":"0"},"termsBy":"months","spread":{"kind":"even"}}', '[]'),
  (':plan', 'rent', 3, null, 'Rent of the quay', 'payment', true, 'bank', '', 1,
   '{"kind":"recurring","when":{"unit":"month","every":1,"first":"2026-02-20"},"amount":[{"from":"2026-01-01","value":"900.00"}],"yearlyUplift":"0","termsDays":0,"convention":"none","certainty":"certain"}',
   '[{"from":"2026-04-20","to":"2026-04-20","amount":"450.00","reason":"half for April"}]');
insert into buoy (plan_id, id, line_row, first_day, last_day, note)
  values (':plan', 'b1', 'sales', date '2026-03-02', date '2026-03-08', 'ask the shops');
insert into assign_rule (plan_id, id, rule)
  values (':plan', 'r1', '{"id":"r1","text":"quay","counterparty":"","direction":"payment","line":"rent"}');
insert into csv_dialect (plan_id, account, dialect)
  values (':plan', 'bank', '{"encoding":"UTF_8","separator":",","headerLines":1,"dateOrder":"DAY_MONTH_YEAR","decimalMark":".","columns":{"bookingDate":0,"valueDate":-1,"amount":1,"moneyOut":-1,"moneyIn":-1,"text":[2],"counterparty":-1,"reference":-1,"balance":-1}}');
insert into statement (plan_id, id, account, file_name, brought_in_at, movements, first_day, last_day, active)
  values (':plan', 's1', 'bank', 'feb.csv', timestamp with time zone '2026-03-01 09:00:00+00', 3, date '2026-02-20', date '2026-02-24', true);
insert into movement (id, plan_id, account, statement_id, booking_date, value_date, minor, unassigned, text, counterparty, reference, fingerprint) values
  (#01, ':plan', 'bank', 's1', date '2026-02-20', date '2026-02-20', -90000, 0, 'QUAY RENT', '', '', 'f1'),
  (#02, ':plan', 'bank', 's1', date '2026-02-23', date '2026-02-23', 45000, 5000, 'SHOPS', '', '', 'f2'),
  (#03, ':plan', 'bank', 's1', date '2026-02-24', date '2026-02-24', 7000, 7000, 'WHO KNOWS', '', '', 'f3');
insert into movement_part (movement_id, position, line_id, minor) values (#01, 0, 'rent', -90000), (#02, 0, 'sales', 40000);
insert into snapshot (plan_id, id, name, note, taken_at, as_of, horizon_end, cash, low_water_day, low_water_cash, active)
  values (':plan', ':plan-rows', 'Row by row', '', timestamp with time zone '2026-03-01 09:00:00+00', date '2026-03-01', date '2027-02-28', 962000, date '2026-03-01', 962000, true);
insert into snapshot_line (snapshot_id, position, line_id, name, group_path, direction)
  values (':plan-rows', 0, 'rent', 'Rent of the quay', '', 'PAYMENT');
insert into snapshot_flow (snapshot_id, line_id, flow_day, part, minor)
  values (':plan-rows', 'rent', date '2026-03-20', 'ESTIMATED', -90000), (':plan-rows', 'rent', date '2026-04-20', 'ESTIMATED', -45000);
insert into change_log (plan_id, seq, made_at, author, words, state, version, effects) values
  (':plan', 1, timestamp with time zone '2026-03-01 09:00:00+00', 'ada', 'Sales: note', 'DONE', 2,
   '[{"kind":"BUOY","id":"b1","before":null,"after":"{\"from\":\"2026-03-02\",\"to\":\"2026-03-08\",\"id\":\"b1\",\"row\":\"sales\",\"note\":\"ask the shops\"}"}]'),
  (':plan', 2, timestamp with time zone '2026-03-01 09:05:00+00', 'ada', 'Minimum cash', 'DONE', 3,
   '[{"kind":"SETTINGS","id":"settings","before":"{\"name\":\"Limpet Rock\",\"currency\":\"GBP\",\"asOf\":\"2026-03-01\",\"horizonMonths\":12}","after":"{\"name\":\"Limpet Rock\",\"currency\":\"GBP\",\"asOf\":\"2026-03-01\",\"horizonMonths\":12,\"minimumCash\":[{\"from\":\"2026-01-01\",\"value\":\"500.00\"}]}"}]');
