<script lang="ts">
  import EntryField from '../../../../lib/fields/EntryField.svelte';
  import Act from '../../../../lib/Act.svelte';
  import { fullDay, monthName, monthStart } from '../../../../lib/dates';
  import { getPlan } from '../../../../lib/plan.svelte';
  import { Said } from '../../../../lib/said.svelte';
  import Fields from '../../parts/Fields.svelte';
  import { CONVENTION } from '../../parts/choices';
  import { changed, type FieldSpec, type Part } from '../../parts/fields';
  import type { EditorProps } from '../kind';
  import OwedField from '../../parts/OwedField.svelte';
  import RoleEditor, { type Role } from './RoleEditor.svelte';

  let { assumption, view, save }: EditorProps<'pay'> = $props();
  const months = $derived(view.paidOver);
  const plan = getPlan();
  const said = new Said();
  const roles = $derived(assumption.roles);
  const days = $derived(assumption.days);
  let name = $state('');
  /** Part of each key, so that a new name keeps what is being typed, and taking one out leaves none of it to the next. */
  let taken = $state(0);
  const DAYS = $derived<FieldSpec[]>([
    {
      kind: 'choice',
      field: 'often',
      label: 'Paid',
      options: [
        { value: 'weekly', name: 'weekly' },
        { value: 'fortnightly', name: 'fortnightly' },
        { value: 'twice-a-month', name: 'twice a month' },
        { value: 'monthly', name: 'monthly' },
      ],
    },
    { kind: 'day', field: 'first', label: 'a pay day is' },
    ...(days.often === 'twice-a-month'
      ? [{ kind: 'whole', field: 'secondDay', label: 'and in each month day' } as const]
      : []),
    CONVENTION,
  ]);
  const OVER: FieldSpec[] = [
    { kind: 'whole', field: 'day', label: 'Withheld and on-costs are paid over on day' },
    { kind: 'whole', field: 'monthsAfter', label: 'of month', after: 'after the pay day' },
  ];

  function part(field: 'days' | 'paidOver') {
    return (change: Part, words: string) =>
      save((now) => ({ ...now, [field]: changed({ ...now[field] }, change) }), words);
  }

  function setRole(at: number, change: (role: Role) => Role, words: string): Promise<string> {
    return save((now) => ({ ...now, roles: now.roles.map((role, i) => (i === at ? change(role) : role)) }), words);
  }

  async function add(e: Event) {
    e.preventDefault();
    if (!name.trim()) return said.now('Give the role a name, such as "Drivers" or "Office".');
    const role: Role = {
      name: name.trim(),
      start: monthStart(plan.view!.tide.asOf),
      posts: [],
      paidBy: 'year',
      pay: [],
      hoursAYear: '1950',
      onCost: '0',
      withheld: '0',
      extras: [],
    };
    if (await said.of(save((now) => ({ ...now, roles: [...now.roles, role] }), `role ${role.name} added`))) name = '';
  }

  function setOwed(month: string, amount: string | null) {
    return save(
      (now) => ({ ...now, paidOver: { ...now.paidOver, owed: changed(now.paidOver.owed, { [month]: amount }) } }),
      `owed for the pay of ${month} ${amount ?? 'taken out'}`,
    );
  }
</script>

<div class="card mb-2.5 space-y-2">
  <Fields specs={DAYS} of={days} put={part('days')} />
  <Fields specs={OVER} of={assumption.paidOver} put={part('paidOver')} />
</div>
{#each roles as role, i (`${taken} ${i}`)}
  <RoleEditor
    {role}
    set={(change, words) => setRole(i, change, words)}
    takeOut={() =>
      void said
        .of(save((now) => ({ ...now, roles: now.roles.filter((_, at) => at !== i) }), `role ${role.name} taken out`))
        .then((done) => done && taken++)}
  />
{/each}
<form class="card mb-2.5 flex items-center gap-2" onsubmit={add}>
  <EntryField class="w-[200px]" placeholder="role" name="Name of a new role" bind:value={name} maxlength={120} />
  <Act type="submit">Add role</Act>
  {#if said.words}<span class="bad" role="alert">{said.words}</span>{/if}
</form>
{#if months.length}
  <div class="card mb-2.5">
    <b class="font-semibold">Paid over</b>
    <span class="hush">what is withheld from pay, and the employer's cost on top</span>
    <table class="figures mt-1">
      <thead>
        <tr>
          <th class="words" scope="col">Pay of</th>
          <th class="words" scope="col">Owed on the as-of date</th>
          <th scope="col">from pay days after it</th>
          <th scope="col">to pay</th>
          <th class="words" scope="col">on</th>
        </tr>
      </thead>
      <tbody>
        {#each months.slice(0, 14) as month (month.month)}
          {@const words = `${monthName(month.month)} ${month.month.slice(0, 4)}`}
          <tr>
            <th scope="row" class="words">{words}</th>
            <td class="words">
              {#if month.proposed || month.owed !== null}
                <OwedField
                  name="Owed for the pay of {words}"
                  owed={month.owed}
                  proposed={month.proposed}
                  put={(amount) => setOwed(month.month, amount)}
                />
              {/if}
            </td>
            <td class="estimated">{plan.money.full(month.after)}</td>
            <td class="estimated font-[650]">{plan.money.full(month.total)}</td>
            <td class="words">{fullDay(month.day)}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
{/if}
