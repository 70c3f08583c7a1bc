<script lang="ts">
  import Act from '../../../../lib/Act.svelte';
  import Refusal from '../../../../lib/Refusal.svelte';
  import { Said } from '../../../../lib/said.svelte';
  import Fields from '../../parts/Fields.svelte';
  import { CONVENTION } from '../../parts/choices';
  import { changed, type FieldSpec, type Part } from '../../parts/fields';
  import type { EditorProps } from '../kind';

  let { assumption, save }: EditorProps<'profit-tax'> = $props();
  const said = new Said();
  const byYear = $derived(assumption.mode === 'year');
  const instalments = $derived(assumption.instalments);
  const HOW = $derived<FieldSpec[]>([
    { kind: 'percent', field: 'rate', label: 'Rate of profit tax %' },
    {
      kind: 'choice',
      field: 'mode',
      label: 'reckoned by the',
      options: [
        { value: 'year', name: 'fiscal year' },
        { value: 'month', name: 'month' },
      ],
    },
    ...(byYear
      ? []
      : [
          {
            kind: 'choice',
            field: 'profit',
            label: 'on',
            options: [
              { value: 'before-tax', name: 'profit before tax' },
              { value: 'operating', name: 'operating profit' },
            ],
          } as const,
        ]),
    { kind: 'whole', field: 'day', label: byYear ? 'the rest is paid on day' : 'paid on day' },
    { kind: 'whole', field: 'monthsAfter', label: 'of month', after: byYear ? 'after the year' : 'after it' },
    CONVENTION,
  ]);
  const YEAR: FieldSpec[] = [
    { kind: 'amount', field: 'profit', label: 'Profit of the year so far' },
    { kind: 'amount', field: 'tax', label: 'tax expensed of it' },
    { kind: 'amount', field: 'paid', label: 'instalments paid' },
    { kind: 'amount', field: 'losses', label: 'losses brought forward' },
  ];
  const BEFORE = $derived<FieldSpec[]>([
    { kind: 'amount', field: 'owed', label: 'Tax of earlier years still owed' },
    ...(byYear
      ? [
          { kind: 'amount', field: 'lastYearTax', label: "last year's tax" } as const,
          {
            kind: 'choice',
            field: 'instalmentsOf',
            label: 'instalments are shares of',
            options: [
              { value: 'last-year', name: "last year's tax" },
              { value: 'this-year', name: "this year's tax" },
            ],
          } as const,
        ]
      : []),
  ]);
  const INSTALMENT: FieldSpec[] = [
    { kind: 'percent', field: 'share', label: '%' },
    { kind: 'whole', field: 'day', label: 'on day' },
    { kind: 'whole', field: 'month', label: 'of month', after: 'of the fiscal year' },
  ];

  function put(part: Part, words: string): Promise<string> {
    return save((now) => changed(now, part), words);
  }

  function putSoFar(part: Part, words: string): Promise<string> {
    return save((now) => ({ ...now, soFar: changed(now.soFar, part) }), words);
  }

  function setInstalments(change: (now: typeof instalments) => typeof instalments, words: string): Promise<string> {
    return save((now) => ({ ...now, instalments: change(now.instalments) }), words);
  }
</script>

<div class="card mb-2.5 space-y-2">
  <Fields specs={HOW} of={assumption} {put} />
  {#if byYear}<Fields specs={YEAR} of={assumption.soFar} put={putSoFar} />{/if}
  <Fields specs={BEFORE} of={assumption} {put} />
  {#if byYear}
    {#each instalments as one, i (i)}
      <div class="flex items-baseline gap-3">
        <Fields
          specs={INSTALMENT}
          of={one}
          name="instalment {i + 1}"
          put={(part, words) =>
            setInstalments((now) => now.map((each, at) => (at === i ? changed(each, part) : each)), words)}
        />
        <button
          class="underline"
          onclick={() => void said.of(setInstalments((now) => now.filter((_, at) => at !== i), 'instalment taken out'))}
          >Take out</button
        >
      </div>
    {/each}
    <Act
      onclick={() =>
        void said.of(setInstalments((now) => [...now, { month: 7, day: 31, share: '0' }], 'instalment added'))}
      >Add an instalment</Act
    >
  {/if}
  <Refusal words={said.words} />
</div>
