insert into statement_cut_off (plan_id, file_name, movements) values (':plan', 'march.csv', 12);
