-- A plan that is put away: it is read as before, and cannot be changed until it is taken out again.
alter table plan add column archived boolean default false not null;
