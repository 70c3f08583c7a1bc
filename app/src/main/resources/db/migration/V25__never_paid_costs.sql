-- A cost that is never paid and of which nothing is said is depreciation now; it was an overhead that raises provisions: what was planned stays so.
update line set nature = 'overheads'
where nature is null and direction = 'payment' and assumption like '%"nonCash":true%';
