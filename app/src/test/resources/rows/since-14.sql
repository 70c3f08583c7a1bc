update snapshot set scenario = 'Late shops' where plan_id = ':plan' and id = ':plan-whole';
