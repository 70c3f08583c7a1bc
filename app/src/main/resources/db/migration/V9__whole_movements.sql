-- Most movements are one line's as a whole and settle no item: these bear the line themselves and need no part, which spares
-- half of what a large file writes.
alter table movement add column line_id varchar(80);
update movement m set line_id = (select p.line_id from movement_part p where p.movement_id = m.id)
where m.id in (select movement_id from movement_part group by movement_id
    having count(*) = 1 and max(item_id) is null and max(line_id) is not null and max(less) = 0)
  and m.unassigned = 0;
delete from movement_part where movement_id in (select id from movement where line_id is not null);
