insert into line (plan_id, id, position, parent, name, direction, active, account, note, assumption_version, assumption, overrides) values
  (':plan', 'tax', 9, null, 'Profit tax', 'payment', false, 'bank', '', 1,
   '{"kind":"profit-tax","mode":"month","rate":"25","soFar":{"profit":"0","tax":"0","paid":"0","losses":"0"},"lastYearTax":"0","owed":"0","instalments":[],"instalmentsOf":"last-year","monthsAfter":1,"day":15,"convention":"none","profit":"operating"}', '[]');
