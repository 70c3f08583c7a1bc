-- The income statement and balance sheet of a snapshot by month and row: deflated JSON as a plan file has it; none of one kept before.
alter table snapshot add column statements blob;
