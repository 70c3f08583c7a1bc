-- The rolling forward of a plan from one as-of date to the next, step by step.
create table roll_forward (
  plan_id varchar(40) not null,
  id varchar(80) not null,
  state varchar not null,
  primary key (plan_id, id)
);

-- What is carried on a line from months and windows that are closed; null when nothing is.
alter table line add column carried varchar;
