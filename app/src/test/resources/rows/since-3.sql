insert into budget_label (plan_id, label, line_id) values (':plan', 'turnover', 'sales');
