-- Tax on profit by the month was on operating profit; it is on profit before tax unless it is said: what was planned stays so.
update line set assumption = replace(assumption, '"mode":"month"', '"mode":"month","profit":"operating"')
where assumption like '%"kind":"profit-tax"%';
-- What was before an edit too, so that undoing it brings back the same.
update change_log set effects = replace(replace(effects,
  '"mode":"month"', '"mode":"month","profit":"operating"'),
  '\"mode\":\"month\"', '\"mode\":\"month\",\"profit\":\"operating\"')
where effects like '%profit-tax%';
