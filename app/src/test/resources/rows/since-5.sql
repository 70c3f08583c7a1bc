insert into open_item (plan_id, id, line_id, state) values (':plan', 'i1', 'sales',
  '{"id":"i1","kind":"invoice","number":"SI-1","counterparty":"Gull Foods","line":"sales","issued":"2026-02-01","supplied":"2026-02-01","due":"2026-03-15","amount":"900.00","tax":"0.00","open":"500.00","listed":"900.00"}');
insert into item_columns (plan_id, direction, columns) values (':plan', 'RECEIPT', '{"headings":{"NUMBER":"Our no."}}');
