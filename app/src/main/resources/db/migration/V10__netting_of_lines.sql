-- How facts take the place of what a line planned, where that is not as usual.
alter table line add column netting varchar(100000);
