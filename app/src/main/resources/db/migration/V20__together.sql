-- Who took an edit back or brought it back, and when; empty where the log did not tell yet.
alter table replay add column author varchar(200) default '' not null;
alter table replay add column made_at timestamp with time zone;

-- Who has a plan open, in which window, at which place; one that was not seen for a while is gone.
create table present (
  tab varchar(40) primary key,
  plan_id varchar(40) not null references plan (id),
  name varchar(200) not null,
  place varchar(400) not null,
  seen_at timestamp with time zone not null
);
create index present_plan on present (plan_id);
