-- The scenarios of a plan, in the order in which they are shown; each as versioned JSON, as a plan file has it.
create table scenario (
  plan_id varchar(40) not null references plan (id),
  id varchar(80) not null,
  position double precision not null,
  content_version int not null,
  content clob not null,
  primary key (plan_id, id)
);
