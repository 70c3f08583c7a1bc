-- The scenario whose forecast a snapshot keeps, by its name of then; none for the base, which all kept before are of.
alter table snapshot add column scenario varchar(200);
