create table plan (
  id varchar(40) primary key,
  name varchar(120) not null,
  version bigint not null,
  settings varchar(100000) not null,
  made_at timestamp with time zone not null
);

create table line (
  plan_id varchar(40) not null references plan (id),
  id varchar(80) not null,
  position double precision not null,
  parent varchar(80),
  name varchar(120) not null,
  direction varchar(10) not null,
  active boolean not null,
  account varchar(80),
  note varchar(10000) not null,
  assumption_version int not null,
  assumption varchar(1000000) not null,
  overrides varchar(1000000) not null,
  primary key (plan_id, id)
);

create table buoy (
  plan_id varchar(40) not null references plan (id),
  id varchar(80) not null,
  line_row varchar(80) not null,
  first_day date not null,
  last_day date not null,
  note varchar(10000) not null,
  primary key (plan_id, id)
);

create table account (
  plan_id varchar(40) not null references plan (id),
  id varchar(80) not null,
  position double precision not null,
  name varchar(120) not null,
  country varchar(2) not null,
  restricted boolean not null,
  balance_date date not null,
  balance bigint not null,
  primary key (plan_id, id)
);

create table assign_rule (
  plan_id varchar(40) not null references plan (id),
  id varchar(80) not null,
  rule varchar(10000) not null,
  primary key (plan_id, id)
);

-- How the bank of an account writes its CSV, as last confirmed.
create table csv_dialect (
  plan_id varchar(40) not null references plan (id),
  account varchar(80) not null,
  dialect varchar(10000) not null,
  primary key (plan_id, account)
);

-- A statement that was brought in. Its movements count while it is active: bringing in switches it on as a whole, undo
-- switches it off, and no movement has to be touched.
create table statement (
  plan_id varchar(40) not null references plan (id),
  id varchar(40) not null,
  account varchar(80) not null,
  file_name varchar(400) not null,
  brought_in_at timestamp with time zone not null,
  movements int not null,
  first_day date,
  last_day date,
  active boolean not null,
  primary key (plan_id, id)
);

create sequence movement_id start with 1 increment by 10000;

-- Its plan is not held by a foreign key: that would bring an index of its own to a table of many rows, which would be
-- chosen in place of the one below. Lists show the newest first, a page at a time, and are read from that one in order.
create table movement (
  id bigint primary key,
  plan_id varchar(40) not null,
  account varchar(80) not null,
  statement_id varchar(40) not null,
  booking_date date not null,
  value_date date not null,
  minor bigint not null,
  unassigned bigint not null,
  text varchar(10000) not null,
  counterparty varchar(2000) not null,
  reference varchar(2000) not null,
  fingerprint varchar(64) not null
);
create index movement_by_day on movement (plan_id, booking_date desc, id desc);

-- What a movement was said to be; without a line, a transfer between own accounts.
create table movement_part (
  movement_id bigint not null references movement (id),
  position int not null,
  line_id varchar(80),
  minor bigint not null,
  primary key (movement_id, position)
);
create index part_by_line on movement_part (line_id);

create table snapshot (
  plan_id varchar(40) not null references plan (id),
  id varchar(40) not null,
  name varchar(200) not null,
  note varchar(10000) not null,
  taken_at timestamp with time zone not null,
  as_of date not null,
  horizon_end date not null,
  cash bigint not null,
  low_water_day date not null,
  low_water_cash bigint not null,
  active boolean not null,
  primary key (plan_id, id)
);

create table snapshot_line (
  snapshot_id varchar(40) not null,
  position int not null,
  line_id varchar(80) not null,
  name varchar(120) not null,
  group_path varchar(4000) not null,
  direction varchar(10) not null,
  primary key (snapshot_id, position)
);

create table snapshot_flow (
  snapshot_id varchar(40) not null,
  line_id varchar(80) not null,
  flow_day date not null,
  part varchar(10) not null,
  minor bigint not null
);
create index snapshot_flow_by_day on snapshot_flow (snapshot_id, flow_day);

-- Every edit: who, when, in words, and the state of each thing before and after. State is DONE, UNDONE or REPLACED.
create table change_log (
  plan_id varchar(40) not null references plan (id),
  seq bigint not null,
  made_at timestamp with time zone not null,
  author varchar(200) not null,
  words varchar(1000) not null,
  state varchar(10) not null,
  version bigint not null,
  effects clob not null,
  primary key (plan_id, seq)
);
