<script lang="ts" module>
  import type { Schemas } from '../../../../lib/api';

  /** A role of a team, as the plan file writes it. */
  export type Role = Schemas['role'];
</script>

<script lang="ts">
  import { monthStart } from '../../../../lib/dates';
  import { getPlan } from '../../../../lib/plan.svelte';
  import DatedRows from '../../parts/DatedRows.svelte';
  import Fields from '../../parts/Fields.svelte';
  import { changed, type FieldSpec, type Part } from '../../parts/fields';
  import StepsEditor from '../../parts/StepsEditor.svelte';
  import type { Step } from '../../save';

  interface Props {
    role: Role;
    /** Changes the role, as edits still under way leave it; gives the refusal, or nothing. */
    set: (change: (role: Role) => Role, words: string) => Promise<string>;
    takeOut: () => void;
  }

  let { role, set, takeOut }: Props = $props();
  const plan = getPlan();
  const name = $derived(role.name);
  const first = $derived(monthStart(plan.view!.tide.asOf));
  const streams = $derived(plan.view!.lines.filter((line) => line.kind === 'stream' && line.direction === 'receipt'));
  const WHO: FieldSpec[] = [
    { kind: 'text', field: 'name', label: 'Role' },
    { kind: 'day', field: 'start', label: 'from' },
    { kind: 'day', field: 'end', label: 'to', optional: true, placeholder: 'no end' },
    {
      kind: 'choice',
      field: 'paidBy',
      label: 'paid by the',
      options: [
        { value: 'year', name: 'year' },
        { value: 'hour', name: 'hour' },
      ],
    },
  ];
  const COSTS = $derived<FieldSpec[]>([
    ...(role.paidBy === 'hour' ? [{ kind: 'number', field: 'hoursAYear', label: 'hours a year' } as const] : []),
    { kind: 'percent', field: 'onCost', label: "employer's on-costs %" },
    { kind: 'percent', field: 'withheld', label: 'withheld from pay %' },
  ]);
  const commission = $derived(role.commission);
  const COMMISSION = $derived<FieldSpec[]>([
    {
      kind: 'choice',
      field: 'line',
      label: 'Commission on',
      options: [{ value: '', name: 'nothing' }, ...streams.map((line) => ({ value: line.id, name: line.name }))],
    },
    ...(role.commission
      ? [
          { kind: 'percent', field: 'share', label: '%' } as const,
          { kind: 'whole', field: 'monthsAfter', label: 'paid', after: 'months later' } as const,
        ]
      : []),
  ]);

  function put(part: Part, words: string): Promise<string> {
    return set((now) => changed(now, part), words);
  }

  function putCommission(part: Part, words: string): Promise<string> {
    return set((now) => {
      const next = changed({ line: '', share: '0', monthsAfter: 1, ...now.commission }, part);
      return changed(now, { commission: next.line === '' ? null : next });
    }, words);
  }

  function steps(field: 'posts' | 'pay') {
    return (change: (now: Step[]) => Step[]) =>
      set((now) => ({ ...now, [field]: change(now[field]) }), `${name}: ${field} set`);
  }
</script>

<div class="card mb-2.5 space-y-1.5">
  <div class="flex items-start gap-3">
    <div class="flex-1"><Fields specs={WHO} of={role} {put} {name} /></div>
    <button class="underline" onclick={takeOut}>Take {name} out</button>
  </div>
  <StepsEditor label="posts of {name}" steps={role.posts} {first} onchange={steps('posts')} />
  <StepsEditor
    label="each earns {role.paidBy === 'hour' ? 'an hour' : 'a year'}, {name}"
    steps={role.pay}
    {first}
    onchange={steps('pay')}
  />
  <Fields specs={COSTS} of={role} {put} {name} />
  <Fields specs={COMMISSION} of={{ line: '', ...commission }} put={putCommission} {name} />
  <details>
    <summary class="hush cursor-pointer">Extra sums: bonus, a thirteenth month ({role.extras.length})</summary>
    <DatedRows
      what="extra pay"
      rows={role.extras}
      make={(row) => row}
      put={(change, words) => set((now) => ({ ...now, extras: change(now.extras) }), `${name}: ${words}`)}
    />
  </details>
</div>
