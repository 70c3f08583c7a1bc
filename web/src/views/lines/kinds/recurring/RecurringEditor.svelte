<script lang="ts">
  import WindowFields from '../../parts/WindowFields.svelte';
  import type { EditorProps } from '../kind';
  import { monthStart } from '../../../../lib/dates';
  import { getPlan } from '../../../../lib/plan.svelte';
  import CertaintyAndHoliday from '../../parts/CertaintyAndHoliday.svelte';
  import Fields from '../../parts/Fields.svelte';
  import { changed, type FieldSpec, type Part } from '../../parts/fields';
  import StepsEditor from '../../parts/StepsEditor.svelte';
  import TaxFields from '../../parts/TaxFields.svelte';

  let { assumption, save, view, netting, saveNetting }: EditorProps<'recurring'> = $props();
  const plan = getPlan();
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

  function putWhen(part: Part, words: string): Promise<string> {
    return save((now) => ({ ...now, when: changed(now.when, part) }), words);
  }

  function put(part: Part, words: string): Promise<string> {
    return save((now) => changed(now, part), words);
  }
</script>

<div class="card mb-2.5 space-y-2">
  <Fields specs={WHEN} of={assumption.when} put={putWhen} />
  <StepsEditor
    label="amount each time"
    steps={assumption.amount}
    first={monthStart(plan.view!.tide.asOf)}
    onchange={(change) => save((now) => ({ ...now, amount: change(now.amount) }), 'amount set')}
  />
  <Fields specs={BILL} of={assumption} {put} />
  <TaxFields {assumption} {save} />
  <CertaintyAndHoliday {assumption} {save} certainty />
</div>
<WindowFields {netting} coming={view.coming} save={saveNetting} />
