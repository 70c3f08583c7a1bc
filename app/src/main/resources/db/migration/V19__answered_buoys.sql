-- Who left a buoy and when, where that is known, and what others answered, as a plan file has it.
alter table buoy add column author varchar(200) default '' not null;
alter table buoy add column left_at timestamp with time zone;
alter table buoy add column answers varchar(1000000) default '[]' not null;
