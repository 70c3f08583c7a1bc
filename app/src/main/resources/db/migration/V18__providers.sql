-- By what a provider of sign-ins calls a person: its address, and an id that stays.
create table provider_name (
  issuer varchar(500) not null,
  subject varchar(255) not null,
  person_id varchar(40) not null references person (id),
  primary key (issuer, subject)
);
create index provider_name_person on provider_name (person_id);
