-- The open item that a part of a movement settles, and what closes it beyond the cash: a discount, a charge.
alter table movement_part add column item_id varchar(80);
alter table movement_part add column less bigint default 0 not null;
