<script lang="ts">
  import { monthStart } from '../../lib/dates';
  import { getPlan } from '../../lib/plan.svelte';
  import CertaintyAndHoliday from './CertaintyAndHoliday.svelte';
  import Fields from './fields/Fields.svelte';
  import { changed, type FieldSpec } from './fields/fields';
  import StepsEditor from './methods/StepsEditor.svelte';
  import type { Json, Save, StepJson } from './save';
  import TaxFields from './TaxFields.svelte';

  interface Props {
    assumption: Json;
    save: Save;
  }

  let { assumption, save }: Props = $props();
  const plan = getPlan();
  const when = $derived({ every: 1, ...(assumption.when as Json) });
  const bill = $derived({
    yearlyUplift: '0',
    termsDays: 0,
    coversMonths: 1,
    coversOffset: 0,
    nonCash: false,
    ...assumption,
  });
  const WHEN: FieldSpec[] = [
    { kind: 'whole', field: 'every', label: 'Every' },
    {
      kind: 'choice',
      field: 'unit',
      label: 'Unit',
      hidden: true,
      options: ['week', 'month', 'year'].map((value) => ({ value, name: `${value}s` })),
    },
    { kind: 'day', field: 'first', label: 'first on' },
    { kind: 'day', field: 'until', label: 'last on', optional: true, placeholder: 'no end' },
  ];
  const BILL: FieldSpec[] = [
    { kind: 'percent', field: 'yearlyUplift', label: 'more each year %' },
    { kind: 'whole', field: 'termsDays', label: 'paid days after' },
    { kind: 'whole', field: 'coversMonths', label: 'covers', after: 'months' },
    {
      kind: 'choice',
      field: 'coversOffset',
      label: 'beginning',
      options: [-12, -6, -3, -2, -1, 0, 1, 2, 3].map((n) => ({
        value: n,
        name: n === 0 ? 'with its own' : n < 0 ? `${-n} before` : `${n} after`,
      })),
    },
    { kind: 'flag', field: 'nonCash', label: 'a cost that is never paid' },
  ];

  function putWhen(part: Json, words: string): Promise<string> {
    return save((now) => ({ ...now, when: changed(now.when as Json, part) }), words);
  }

  function put(part: Json, words: string): Promise<string> {
    return save((now) => changed(now, part), words);
  }
</script>

<div class="card mb-2.5 space-y-2">
  <Fields specs={WHEN} of={when} put={putWhen} />
  <StepsEditor
    label="amount each time"
    steps={(assumption.amount ?? []) as StepJson[]}
    first={monthStart(plan.view!.tide.asOf)}
    onchange={(change) => save((now) => ({ ...now, amount: change((now.amount ?? []) as StepJson[]) }), 'amount set')}
  />
  <Fields specs={BILL} of={bill} {put} />
  <TaxFields {assumption} {save} />
  <CertaintyAndHoliday {assumption} {save} certainty />
</div>
