-- Invoices, bills, orders and commitments, open ones and paid ones; the state is the item as a plan file holds it.
create table open_item (
  plan_id varchar(40) not null,
  id varchar(80) not null,
  line_id varchar(80) not null,
  state varchar(20000) not null,
  primary key (plan_id, id)
);
create index open_item_by_line on open_item (plan_id, line_id);

-- How the lists of a direction are written: which column holds what, by the headings, as last confirmed.
create table item_columns (
  plan_id varchar(40) not null references plan (id) on delete cascade,
  direction varchar(10) not null,
  columns varchar(4000) not null,
  primary key (plan_id, direction)
);
