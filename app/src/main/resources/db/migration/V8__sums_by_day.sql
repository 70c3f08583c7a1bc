-- What the movements of a statement come to by day, so that books are there at once however many movements there are.
-- By line (none: a transfer between own accounts) and direction, with what of it settles items:
create table line_day (
  plan_id varchar(40) not null,
  statement_id varchar(40) not null,
  account varchar(80) not null,
  line_id varchar(80),
  booking_date date not null,
  direction int not null,
  minor bigint not null,
  settled bigint not null
);
create index line_day_of_statement on line_day (plan_id, statement_id, booking_date);

-- By account and direction, with what of it is not assigned, and how many movements are not wholly assigned:
create table account_day (
  plan_id varchar(40) not null,
  statement_id varchar(40) not null,
  account varchar(80) not null,
  booking_date date not null,
  direction int not null,
  minor bigint not null,
  unassigned bigint not null,
  waiting int not null
);
create index account_day_of_statement on account_day (plan_id, statement_id, booking_date);

insert into line_day
select m.plan_id, m.statement_id, m.account, p.line_id, m.booking_date, sign(p.minor), sum(p.minor),
  sum(case when p.item_id is null then 0 else p.minor end)
from movement m join movement_part p on p.movement_id = m.id
group by m.plan_id, m.statement_id, m.account, p.line_id, m.booking_date, sign(p.minor);

insert into account_day
select plan_id, statement_id, account, booking_date, sign(minor), sum(minor), sum(unassigned), sum(case when unassigned = 0 then 0 else 1 end)
from movement group by plan_id, statement_id, account, booking_date, sign(minor);

-- By open item, what closes it: cash, and what is taken off beyond it.
create table item_sum (
  plan_id varchar(40) not null,
  statement_id varchar(40) not null,
  item_id varchar(80) not null,
  closed bigint not null
);
create index item_sum_of_item on item_sum (plan_id, item_id, statement_id);

insert into item_sum
select m.plan_id, m.statement_id, p.item_id, sum(abs(p.minor) + p.less)
from movement m join movement_part p on p.movement_id = m.id
where p.item_id is not null group by m.plan_id, m.statement_id, p.item_id;

-- Parts are found by their movement alone: an index more would cost a fifth of the time in which a large file comes in.
create table part_of_movement (
  movement_id bigint not null,
  position int not null,
  line_id varchar(80),
  minor bigint not null,
  item_id varchar(80),
  less bigint default 0 not null,
  primary key (movement_id, position)
);
insert into part_of_movement select movement_id, position, line_id, minor, item_id, less from movement_part;
drop table movement_part;
alter table part_of_movement rename to movement_part;
