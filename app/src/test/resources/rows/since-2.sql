update line set nature = 'sales' where plan_id = ':plan' and id = 'sales';
