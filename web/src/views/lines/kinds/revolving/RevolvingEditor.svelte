<script lang="ts">
  import { monthStart } from '../../../../lib/dates';
  import { getPlan } from '../../../../lib/plan.svelte';
  import Fields from '../../parts/Fields.svelte';
  import { changed, type FieldSpec, type Part } from '../../parts/fields';
  import StepsEditor from '../../parts/StepsEditor.svelte';
  import type { Of } from '../../save';
  import type { EditorProps } from '../kind';
  import { CHARGING } from '../../parts/charging';

  let { assumption, save }: EditorProps<'revolving'> = $props();
  const plan = getPlan();
  const STEPS = [
    { field: 'limit', label: 'limit' },
    { field: 'guarantees', label: 'used up by guarantees' },
    { field: 'base', label: 'base rate, % a year' },
    { field: 'margin', label: 'margin, % a year' },
    { field: 'undrawnFee', label: 'fee on what is undrawn, % a year' },
  ] as const;
  const TERMS: FieldSpec[] = [
    { kind: 'flag', field: 'committed', label: 'committed by the bank' },
    { kind: 'day', field: 'start', label: 'from', optional: true, placeholder: 'always' },
    { kind: 'day', field: 'end', label: 'ends on', optional: true, placeholder: 'no end' },
    { kind: 'amount', field: 'multiple', label: 'in multiples of' },
    { kind: 'whole', field: 'noticeDays', label: 'notice', after: 'business days' },
  ];
  const DRAWN: FieldSpec[] = [
    { kind: 'amount', field: 'amount', label: 'drawn' },
    { kind: 'day', field: 'on', label: 'at the end of' },
    { kind: 'amount', field: 'accrued', label: 'interest accrued by then' },
  ];

  const AVAILABLE: FieldSpec[] = [
    { kind: 'percent', field: 'receivables', label: 'available against receivables', after: '%' },
    { kind: 'percent', field: 'stock', label: 'against stock', after: '%' },
    { kind: 'whole', field: 'daysLate', label: 'receivables count up to', after: 'days late' },
    { kind: 'amount', field: 'now', label: 'available now' },
  ];
  const NO_BASE = { receivables: '80', stock: '0', daysLate: 90, now: '0' };

  function put(change: Parameters<typeof changed<Of<'revolving'>>>[1], words: string): Promise<string> {
    return save((now) => changed(now, change), words);
  }

  function within(field: 'drawn' | 'charging' | 'availability', part: Part, words: string): Promise<string> {
    return save((now) => ({ ...now, [field]: changed({ ...now[field] }, part) }), words);
  }
</script>

<div class="card mb-2.5 space-y-2">
  {#each STEPS as one (one.field)}
    <StepsEditor
      label={one.label}
      wide
      steps={assumption[one.field]}
      first={monthStart(plan.view!.tide.asOf)}
      onchange={(change) => save((now) => ({ ...now, [one.field]: change(now[one.field]) }), `${one.label} set`)}
    />
  {/each}
  <Fields specs={TERMS} of={assumption} {put} />
  <Fields specs={DRAWN} of={assumption.drawn} put={(part, words) => within('drawn', part, words)} />
  <label
    ><input
      type="checkbox"
      class="mr-1"
      checked={!!assumption.availability}
      onchange={(e) =>
        void put(
          { availability: e.currentTarget.checked ? { ...NO_BASE } : null },
          e.currentTarget.checked ? 'available against receivables and stock' : 'its limit alone counts',
        )}
    />available only against receivables and stock, set at each month's end</label
  >
  {#if assumption.availability}
    <Fields specs={AVAILABLE} of={assumption.availability} put={(part, words) => within('availability', part, words)} />
  {/if}
  <Fields specs={CHARGING} of={assumption.charging} put={(part, words) => within('charging', part, words)} />
</div>
