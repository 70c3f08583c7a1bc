update line set nature = 'overheads' where plan_id = ':plan' and id = 'rent';
