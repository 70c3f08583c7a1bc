update line set netting = '{"left":"run-rate","chosen":[]}' where plan_id = ':plan' and id = 'sales';
