<script lang="ts">
  import { addDays, addMonths, monthStart, type Day } from '../../../lib/dates';
  import { getPlan } from '../../../lib/plan.svelte';
  import Fields from '../fields/Fields.svelte';
  import { changed, type FieldSpec } from '../fields/fields';
  import StepsEditor from '../methods/StepsEditor.svelte';
  import type { Json, Save, StepJson } from '../save';
  import { COUNTS } from './charging';
  import { putForfeit, putPart, whenItEnds, type Ending } from './deposit';

  interface Props {
    assumption: Json;
    save: Save;
  }

  let { assumption, save }: Props = $props();
  const plan = getPlan();
  const ending = $derived<Ending>(assumption.notice ? 'notice' : 'day');
  const PLACED: FieldSpec[] = [
    { kind: 'amount', field: 'amount', label: 'put away' },
    { kind: 'day', field: 'on', label: 'on' },
    { kind: 'choice', field: 'dayCount', label: 'interest by', options: COUNTS },
    { kind: 'whole', field: 'interestEveryMonths', label: 'paid every', after: 'months (0: at the end)' },
  ];
  const ENDS: FieldSpec = {
    kind: 'choice',
    field: 'ending',
    label: 'comes back',
    options: [
      { value: 'day', name: 'on its last day' },
      { value: 'notice', name: 'some days after notice' },
    ],
  };
  const NOTICE: FieldSpec[] = [
    { kind: 'whole', field: 'days', label: 'days of notice' },
    { kind: 'day', field: 'given', label: 'given on', optional: true, placeholder: 'not yet' },
  ];
  const ROLLOVER: FieldSpec[] = [
    { kind: 'whole', field: 'times', label: 'rolled over', after: 'times', optional: true },
    { kind: 'flag', field: 'withInterest', label: 'with its interest' },
  ];
  const RUNNING: FieldSpec[] = [
    { kind: 'day', field: 'at', label: 'it runs already: interest up to', optional: true, placeholder: 'no' },
    { kind: 'amount', field: 'accrued', label: 'is' },
  ];
  const BROKEN: FieldSpec[] = [
    { kind: 'day', field: 'on', label: 'broken early on', optional: true, placeholder: 'never' },
    { kind: 'amount', field: 'forfeit', label: 'forfeit', optional: true },
    { kind: 'whole', field: 'forfeitDays', label: 'or interest of', after: 'days', optional: true },
  ];
  const last = $derived((assumption.last as Day | undefined) ?? addMonths(assumption.on as Day, 6));
</script>

<div class="card mb-2.5 space-y-2">
  <Fields
    specs={PLACED}
    of={{ dayCount: 'act-365f', interestEveryMonths: 0, ...assumption }}
    put={(part, words) => save((now) => changed(now, part), words)}
  />
  <StepsEditor
    label="rate, % a year"
    steps={(assumption.rate ?? []) as StepJson[]}
    first={monthStart(plan.view!.tide.asOf)}
    onchange={(change) => save((now) => ({ ...now, rate: change((now.rate ?? []) as StepJson[]) }), 'rate set')}
  />
  <Fields
    specs={[ENDS]}
    of={{ ending }}
    put={(part, words) => save((now) => whenItEnds(now, part.ending as Ending, last), words)}
  />
  {#if ending === 'notice'}
    <Fields
      specs={NOTICE}
      of={assumption.notice as Json}
      put={(part, words) => save((now) => putPart(now, 'notice', part), words)}
    />
  {:else}
    <Fields
      specs={[{ kind: 'day', field: 'last', label: 'last day' }]}
      of={assumption}
      put={(part, words) => save((now) => changed(now, part), words)}
    />
    <Fields
      specs={ROLLOVER}
      of={(assumption.rollover ?? {}) as Json}
      put={(part, words) => save((now) => putPart(now, 'rollover', part, part.times === null, { times: 1 }), words)}
    />
  {/if}
  <Fields
    specs={RUNNING}
    of={(assumption.running ?? {}) as Json}
    put={(part, words) =>
      save((now) => putPart(now, 'running', part, part.at === null, { at: plan.view!.tide.asOf, accrued: '0' }), words)}
  />
  <Fields
    specs={BROKEN}
    of={(assumption.broken ?? {}) as Json}
    put={(part, words) => save((now) => putForfeit(now, part, addDays(plan.view!.tide.asOf, 1)), words)}
  />
</div>
