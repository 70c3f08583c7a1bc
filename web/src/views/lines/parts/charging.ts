import type { ChoiceSpec, FieldSpec } from './fields';

/** How the days of interest may be counted. */
export const COUNTS = [
  { value: 'act-365f', name: 'actual days of 365' },
  { value: 'act-360', name: 'actual days of 360' },
  { value: 'thirty-e-360', name: 'months of 30 days' },
];

/** When interest is charged, and how its days are counted. */
export const CHARGING: FieldSpec[] = [
  { kind: 'choice', field: 'dayCount', label: 'interest by', options: COUNTS },
  {
    kind: 'choice',
    field: 'often',
    label: 'charged at the end of each',
    options: [
      { value: 'month', name: 'month' },
      { value: 'quarter', name: 'quarter' },
    ],
  },
  { kind: 'flag', field: 'nextBusinessDay', label: 'paid on the next business day' },
];

/** A loan's interest may be by twelfths of a year too. */
export const LOAN_COUNT: ChoiceSpec = {
  kind: 'choice',
  field: 'dayCount',
  label: 'interest by',
  options: [{ value: 'twelfths', name: 'twelfths of a year' }, ...COUNTS],
};
