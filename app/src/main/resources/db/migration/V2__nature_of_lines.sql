-- Where a line stands in the income statement; null is where its kind usually stands.
alter table line add column nature varchar(20);
