-- Which line a label of a budget was said to belong to, so that the next budget is matched by itself.
create table budget_label (
  plan_id varchar(40) not null references plan (id) on delete cascade,
  label varchar(400) not null,
  line_id varchar(80) not null,
  primary key (plan_id, label)
);
