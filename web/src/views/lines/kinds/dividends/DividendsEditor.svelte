<script lang="ts">
  import { monthStart } from '../../../../lib/dates';
  import { getPlan } from '../../../../lib/plan.svelte';
  import Fields from '../../parts/Fields.svelte';
  import { CONVENTION, monthChoice } from '../../parts/choices';
  import { changed, type FieldSpec, type Part } from '../../parts/fields';
  import StepsEditor from '../../parts/StepsEditor.svelte';
  import type { EditorProps } from '../kind';

  let { assumption, save }: EditorProps<'dividends'> = $props();
  const plan = getPlan();
  const by = $derived(assumption.by);
  const WHAT: FieldSpec[] = [
    {
      kind: 'choice',
      field: 'by',
      label: 'Paid out is',
      options: [
        { value: 'amount', name: 'an amount each year' },
        { value: 'year-profit', name: 'a share of the profit of the last whole fiscal year' },
        { value: 'month-profit', name: 'a share of the profit of the month before' },
      ],
    },
  ];
  const SHARE = $derived<FieldSpec[]>([
    { kind: 'percent', field: 'payout', label: 'share of profit after tax %' },
    ...(by === 'year-profit'
      ? [
          { kind: 'amount', field: 'lastYearProfit', label: "last year's profit after tax" } as const,
          { kind: 'amount', field: 'yearSoFar', label: 'of the year so far' } as const,
        ]
      : []),
  ]);
  const WHEN = $derived<FieldSpec[]>([
    ...(by === 'month-profit' ? [] : [monthChoice('declared', 'declared in')]),
    { kind: 'whole', field: 'day', label: 'paid on day' },
    { kind: 'whole', field: 'monthsAfter', label: 'of month', after: 'after it is declared' },
    {
      kind: 'amount',
      field: 'distributable',
      label: 'can be distributed today',
      optional: true,
      placeholder: 'not said',
    },
    CONVENTION,
  ]);

  function put(part: Part, words: string): Promise<string> {
    return save((now) => changed(now, part), words);
  }
</script>

<div class="card mb-2.5 space-y-2">
  <Fields specs={WHAT} of={assumption} {put} />
  {#if by === 'amount'}
    <StepsEditor
      label="dividend a year"
      steps={assumption.amount}
      first={monthStart(plan.view!.tide.asOf)}
      onchange={(change) => save((now) => ({ ...now, amount: change(now.amount) }), 'dividend set')}
    />
  {:else}
    <Fields specs={SHARE} of={assumption} {put} />
  {/if}
  <Fields specs={WHEN} of={assumption} {put} />
</div>
