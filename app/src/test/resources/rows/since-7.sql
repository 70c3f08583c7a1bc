insert into roll_forward (plan_id, id, state) values (':plan', '1',
  '{"number":1,"from":"2026-02-01","to":"2026-03-01","snapshot":":plan-rows","decided":[{"key":"k","carried":100,"day":"2026-03-10"}],"done":true}');
update line set carried = '[{"id":"c1","day":"2026-03-10","amount":"100.00","origin":"February, short"}]' where plan_id = ':plan' and id = 'sales';
