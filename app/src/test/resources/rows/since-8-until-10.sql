insert into item_sum (plan_id, statement_id, item_id, closed) values (':plan', 's1', 'i1', 40000);
