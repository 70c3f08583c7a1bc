-- A statement is kept from the edit on that first switches it on; one that is not is on its way, or was cut off on it.
alter table statement add column kept boolean default true not null;

-- Statements whose bringing in was cut off, until they are brought in again: what was laid down of them is taken up at the next start.
create table statement_cut_off (
  plan_id varchar(40) not null,
  file_name varchar(400) not null,
  movements int not null
);

-- Movements once were laid down before their statement: a program that was killed in between left them counting without it.
insert into statement_cut_off
select plan_id, '', count(*) from movement m
where not exists (select 1 from statement s where s.plan_id = m.plan_id and s.id = m.statement_id)
group by plan_id, statement_id;

delete from movement_part where movement_id in (select id from movement m
  where not exists (select 1 from statement s where s.plan_id = m.plan_id and s.id = m.statement_id));
delete from movement m where not exists (select 1 from statement s where s.plan_id = m.plan_id and s.id = m.statement_id);
delete from line_day m where not exists (select 1 from statement s where s.plan_id = m.plan_id and s.id = m.statement_id);
delete from account_day m where not exists (select 1 from statement s where s.plan_id = m.plan_id and s.id = m.statement_id);
delete from item_day m where not exists (select 1 from statement s where s.plan_id = m.plan_id and s.id = m.statement_id);
