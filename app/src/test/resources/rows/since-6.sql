update movement_part set item_id = 'i1', less = 0 where movement_id = #02;
