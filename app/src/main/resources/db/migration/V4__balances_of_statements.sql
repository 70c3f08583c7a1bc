-- What a statement of a standard format declares: its number and its balances at the bank.
alter table statement add column number varchar(200);
alter table statement add column opening bigint;
alter table statement add column closing bigint;

-- Which account a number at the bank was said to be, so that the next statement finds it by itself.
create table bank_number (
  plan_id varchar(40) not null references plan (id) on delete cascade,
  number varchar(80) not null,
  account varchar(80) not null,
  primary key (plan_id, number)
);
