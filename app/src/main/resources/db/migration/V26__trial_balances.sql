-- What the ledger says of months that are over: a trial balance for each by its month, and under 'said' what accounts were said to be; versioned JSON, as a plan file has it.
create table ledger_part (
  plan_id varchar(40) not null references plan (id),
  id varchar(20) not null,
  content_version int not null,
  content clob not null,
  primary key (plan_id, id)
);
