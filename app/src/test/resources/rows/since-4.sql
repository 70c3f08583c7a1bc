update statement set number = '7', opening = 1000000, closing = 962000 where plan_id = ':plan';
insert into bank_number (plan_id, number, account) values (':plan', 'QUAY0001', 'bank');
