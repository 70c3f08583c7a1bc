insert into line_day
select m.plan_id, m.statement_id, m.account, p.line_id, m.booking_date, sign(p.minor), sum(p.minor), sum(case when p.item_id is null then 0 else p.minor end)
from movement m join movement_part p on p.movement_id = m.id where m.plan_id = ':plan'
group by m.plan_id, m.statement_id, m.account, p.line_id, m.booking_date, sign(p.minor);
insert into account_day
select plan_id, statement_id, account, booking_date, sign(minor), sum(minor), sum(unassigned), sum(case when unassigned = 0 then 0 else 1 end)
from movement where plan_id = ':plan' group by plan_id, statement_id, account, booking_date, sign(minor);
