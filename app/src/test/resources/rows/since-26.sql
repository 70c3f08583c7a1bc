insert into ledger_part (plan_id, id, content_version, content) values
  (':plan', '2026-01', 1, '{"months":[{"month":"2026-01","balances":[{"account":"4000","name":"Sales","balance":"-38000"},{"account":"1000","name":"Bank","balance":"38000"}]}]}'),
  (':plan', 'said', 1, '{"months":[],"accounts":[{"account":"4000","row":"sales"},{"account":"1000","row":"cash"}]}');
