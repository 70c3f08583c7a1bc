-- People who sign in, what each may do with a plan, and the links by which they come. Of every secret only what it
-- hashes to is kept.
create table person (
  id varchar(40) primary key,
  name varchar(120) not null,
  login varchar(200) not null unique,
  password varchar(500) not null,
  steward boolean not null,
  shut_out boolean not null,
  second_factor varchar(100),
  factor_used bigint default 0 not null,
  made_at timestamp with time zone not null
);

create table recovery_code (
  person_id varchar(40) not null references person (id),
  hash varchar(64) not null,
  primary key (person_id, hash)
);

create table sign_in (
  hash varchar(64) primary key,
  id varchar(40) not null unique,
  person_id varchar(40) not null references person (id),
  begun_at timestamp with time zone not null,
  seen_at timestamp with time zone not null,
  address varchar(100) not null,
  program varchar(300) not null
);
create index sign_in_person on sign_in (person_id);

create table plan_member (
  plan_id varchar(40) not null references plan (id),
  person_id varchar(40) not null references person (id),
  role varchar(10) not null,
  primary key (plan_id, person_id)
);
create index plan_member_person on plan_member (person_id);

-- One use each, until a time: to come as the first, to a plan in a role, or to set a password anew.
create table invitation (
  hash varchar(64) primary key,
  plan_id varchar(40) references plan (id),
  role varchar(10),
  person_id varchar(40) references person (id),
  made_by varchar(120) not null,
  until_time timestamp with time zone not null
);

create table viewer_link (
  id varchar(40) primary key,
  hash varchar(64) not null unique,
  plan_id varchar(40) not null references plan (id),
  note varchar(200) not null,
  made_by varchar(120) not null,
  made_at timestamp with time zone not null,
  until_time timestamp with time zone not null,
  taken_back boolean not null
);
create index viewer_link_plan on viewer_link (plan_id);

-- What was done beside edits: sign-ins, refused ones, exports, links; never taken out.
create table happening (
  at_time timestamp with time zone not null,
  author varchar(200) not null,
  plan_id varchar(40),
  kind varchar(20) not null,
  words varchar(1000) not null
);
create index happening_time on happening (at_time);
