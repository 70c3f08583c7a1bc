<script lang="ts">
  import { addDays, addMonths, monthStart } from '../../../../lib/dates';
  import { getPlan } from '../../../../lib/plan.svelte';
  import Fields from '../../parts/Fields.svelte';
  import { changed, type FieldSpec } from '../../parts/fields';
  import StepsEditor from '../../parts/StepsEditor.svelte';
  import type { EditorProps } from '../kind';
  import { COUNTS } from '../../parts/charging';
  import { putForfeit, putPart, whenItEnds, type Ending } from './deposit';

  let { assumption, save }: EditorProps<'deposit'> = $props();
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
  const LAST: FieldSpec[] = [{ kind: 'day', field: 'last', label: 'last day' }];
  /** A part that is not there is a field that would make it; the rest of its fields come with it. */
  const ROLLOVER = $derived<FieldSpec[]>([
    { kind: 'whole', field: 'times', label: 'rolled over', after: 'times', optional: true },
    ...(assumption.rollover ? [{ kind: 'flag', field: 'withInterest', label: 'with its interest' } as const] : []),
  ]);
  const RUNNING = $derived<FieldSpec[]>([
    { kind: 'day', field: 'at', label: 'it runs already, with interest up to', optional: true, placeholder: 'no' },
    ...(assumption.running ? [{ kind: 'amount', field: 'accrued', label: 'of' } as const] : []),
  ]);
  const BROKEN = $derived<FieldSpec[]>([
    { kind: 'day', field: 'on', label: 'broken early on', optional: true, placeholder: 'never' },
    ...(assumption.broken
      ? ([
          { kind: 'amount', field: 'forfeit', label: 'forfeit', optional: true },
          { kind: 'whole', field: 'forfeitDays', label: 'or days of interest', optional: true },
        ] as const)
      : []),
  ]);
  const last = $derived(assumption.last ?? addMonths(assumption.on, 6));
</script>

<div class="card mb-2.5 space-y-2">
  <Fields specs={PLACED} of={assumption} put={(part, words) => save((now) => changed(now, part), words)} />
  <StepsEditor
    label="rate, % a year"
    steps={assumption.rate}
    first={monthStart(plan.view!.tide.asOf)}
    onchange={(change) => save((now) => ({ ...now, rate: change(now.rate) }), 'rate set')}
  />
  <div class="flex flex-wrap gap-x-4 gap-y-1.5">
    <Fields
      specs={[ENDS]}
      of={{ ending }}
      put={(part, words) => save((now) => whenItEnds(now, part.ending as Ending, last), words)}
    />
    {#if ending === 'notice'}
      <Fields
        specs={NOTICE}
        of={assumption.notice ?? {}}
        put={(part, words) => save((now) => putPart(now, 'notice', part, { days: 30 }), words)}
      />
    {:else}
      <Fields specs={LAST} of={assumption} put={(part, words) => save((now) => changed(now, part), words)} />
      <Fields
        specs={ROLLOVER}
        of={assumption.rollover ?? {}}
        put={(part, words) =>
          save((now) => putPart(now, 'rollover', part, { times: 1, withInterest: false }, part.times === null), words)}
      />
    {/if}
  </div>
  <Fields
    specs={RUNNING}
    of={assumption.running ?? {}}
    put={(part, words) =>
      save((now) => putPart(now, 'running', part, { at: plan.view!.tide.asOf, accrued: '0' }, part.at === null), words)}
  />
  <Fields
    specs={BROKEN}
    of={assumption.broken ?? {}}
    put={(part, words) => save((now) => putForfeit(now, part, addDays(plan.view!.tide.asOf, 1)), words)}
  />
</div>
