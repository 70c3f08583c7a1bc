-- A snapshot keeps what differs from the one before it (base), in the order in which they were kept, or the whole of it; it says of itself
-- what is shown in lists. What was kept before is read from its rows as it was.
create sequence snapshot_seq start with 1;
alter table snapshot add column seq bigint;
alter table snapshot add column whole boolean default false not null;
alter table snapshot add column content blob;
alter table snapshot add column content_size bigint default 0 not null;
alter table snapshot add column closing_cash bigint;
alter table snapshot add column protected boolean default false not null;
alter table snapshot add column commentary varchar(100000) default '' not null;
create index snapshot_in_order on snapshot (plan_id, seq);

-- What an analyst says of a figure of a comparison: its snapshot, its row and its days are in the id.
create table variance_note (
  plan_id varchar(40) not null,
  id varchar(300) not null,
  note varchar(10000) not null,
  primary key (plan_id, id)
);

-- By open item and day, its cash and what closes it: cash and what is taken off beyond it.
create table item_day (
  plan_id varchar(40) not null,
  statement_id varchar(40) not null,
  account varchar(80) not null,
  line_id varchar(80) not null,
  item_id varchar(80) not null,
  booking_date date not null,
  minor bigint not null,
  closed bigint not null
);
create index item_day_of_item on item_day (plan_id, item_id, statement_id);
create index item_day_by_day on item_day (plan_id, booking_date);

insert into item_day
select m.plan_id, m.statement_id, m.account, p.line_id, p.item_id, m.booking_date, sum(p.minor), sum(abs(p.minor) + p.less)
from movement m join movement_part p on p.movement_id = m.id
where p.item_id is not null group by m.plan_id, m.statement_id, m.account, p.line_id, p.item_id, m.booking_date;
drop table item_sum;
