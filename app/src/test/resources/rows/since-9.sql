delete from movement_part where movement_id = #01;
update movement set line_id = 'rent' where id = #01;
