-- The keys by which people sign in in place of a password: what a device has made, and what it said of its public half.
create table passkey (
  id varchar(1400) primary key,
  person_id varchar(40) not null references person (id),
  label varchar(80) not null,
  attestation blob not null,
  signatures bigint not null,
  backup_eligible boolean not null,
  backed_up boolean not null,
  transports varchar(200) not null,
  made_at timestamp with time zone not null,
  used_at timestamp with time zone
);
