<script lang="ts">
  import { monthStart } from '../../../lib/dates';
  import { getPlan } from '../../../lib/plan.svelte';
  import Fields from '../fields/Fields.svelte';
  import { changed, type FieldSpec } from '../fields/fields';
  import StepsEditor from '../methods/StepsEditor.svelte';
  import type { Json, Save, StepJson } from '../save';
  import { CHARGING, MONTHLY } from './charging';

  interface Props {
    assumption: Json;
    save: Save;
  }

  let { assumption, save }: Props = $props();
  const plan = getPlan();
  const STEPS = [
    { field: 'limit', label: 'limit' },
    { field: 'guarantees', label: 'used up by guarantees' },
    { field: 'base', label: 'base rate, % a year' },
    { field: 'margin', label: 'margin, % a year' },
    { field: 'undrawnFee', label: 'fee on what is undrawn, % a year' },
  ];
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

  function put(part: Json, words: string): Promise<string> {
    return save((now) => changed(now, part), words);
  }

  function within(field: 'drawn' | 'charging' | 'availability', part: Json, words: string): Promise<string> {
    return save((now) => ({ ...now, [field]: changed({ ...(now[field] as Json | undefined) }, part) }), words);
  }
</script>

<div class="card mb-2.5 space-y-2">
  {#each STEPS as one (one.field)}
    <StepsEditor
      label={one.label}
      wide
      steps={(assumption[one.field] ?? []) as StepJson[]}
      first={monthStart(plan.view!.tide.asOf)}
      onchange={(change) =>
        save((now) => ({ ...now, [one.field]: change((now[one.field] ?? []) as StepJson[]) }), `${one.label} set`)}
    />
  {/each}
  <Fields specs={TERMS} of={{ committed: true, multiple: '0.01', noticeDays: 0, ...assumption }} {put} />
  <Fields
    specs={DRAWN}
    of={{ amount: '0', accrued: '0', ...(assumption.drawn as Json) }}
    put={(part, words) => within('drawn', part, words)}
  />
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
    <Fields
      specs={AVAILABLE}
      of={{ ...NO_BASE, ...(assumption.availability as Json) }}
      put={(part, words) => within('availability', part, words)}
    />
  {/if}
  <Fields
    specs={CHARGING}
    of={{ ...MONTHLY, ...(assumption.charging as Json | undefined) }}
    put={(part, words) => within('charging', part, words)}
  />
</div>
