-- The bank's files that wait to be confirmed, and how far the bringing in of them is, for the programs that share a
-- server: alone on a file both stay in the program's own folder and memory.
create table waiting_file (
  id varchar(40) primary key,
  plan_id varchar(40) not null references plan (id) on delete cascade,
  account varchar(80),
  name varchar(1000) not null,
  bytes bigint not null,
  put_at timestamp with time zone not null
);

create table waiting_file_part (
  file_id varchar(40) not null references waiting_file (id) on delete cascade,
  part int not null,
  content blob not null,
  primary key (file_id, part)
);

create table bringing_in (
  id varchar(40) primary key,
  plan_id varchar(40) not null references plan (id) on delete cascade,
  program varchar(40) not null,
  over boolean not null,
  stands clob not null,
  stop_asked boolean not null
);
