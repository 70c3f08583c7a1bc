-- A person whom a provider names.
insert into provider_name (issuer, subject, person_id) values ('https://id.example.org', 'one-:plan', 'ada-:plan');
