-- Several programs may work on one database: which of them are there, which one laid a statement down, and which tasks
-- of a day one of them has taken on.
create table process (
  id varchar(40) primary key,
  seen_at timestamp with time zone not null
);

create table task_taken (
  name varchar(40) not null,
  on_day date not null,
  primary key (name, on_day)
);

alter table statement add column laid_by varchar(40);
