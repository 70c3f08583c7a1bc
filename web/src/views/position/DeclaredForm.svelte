<script lang="ts">
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import Act from '../../lib/Act.svelte';
  import type { Schemas } from '../../lib/api';
  import { longDay } from '../../lib/dates';
  import { getPlan } from '../../lib/plan.svelte';
  import type { BringingIn } from './bringing.svelte';

  interface Props {
    work: BringingIn;
    /** A file that says itself what it holds. */
    file: Schemas['FileView'];
  }

  let { work, file }: Props = $props();
  const plan = getPlan();
  const unknown = $derived(file.statements.find((one) => one.account === null));
  const count = $derived(file.statements.length);

  function balance(minor: number | null): string {
    return minor === null ? '' : plan.money.full(minor);
  }
</script>

<p class="hush mb-2">
  {file.format}: {count === 1 ? 'one statement' : `${count} statements`}, read whole; each opens, moves and closes as it
  says.
</p>
<div class="overflow-x-auto">
  <table class="figures" aria-label="Statements in the file">
    <thead>
      <tr>
        <th class="words" scope="col">Account</th><th class="words" scope="col">At the bank</th><th
          class="words"
          scope="col">No.</th
        >
        <th class="words" scope="col">Days</th><th scope="col">Opens with</th><th scope="col">Movements</th><th
          scope="col">Closes with</th
        >
      </tr>
    </thead>
    <tbody>
      {#each file.statements as one, i (i)}
        <tr>
          <td class="words">
            <ChoiceField
              name="Account of {one.accountNumber}, statement {one.number}"
              value={one.account ?? ''}
              onchoose={(chosen) => void work.chooseFor(one.accountNumber, chosen)}
              options={[
                { value: '', name: 'choose the account' },
                ...plan.view!.accounts.map((account) => ({ value: account.id, name: account.name })),
              ]}
            />
          </td>
          <td class="words">{one.accountNumber}</td>
          <td class="words">{one.number}</td>
          <td class="words">{longDay(one.from)}{one.from === one.to ? '' : ` – ${longDay(one.to)}`}</td>
          <td>{balance(one.opening)}</td>
          <td>{one.movements}</td>
          <td>{balance(one.closing)}</td>
        </tr>
        {#if one.amiss || one.isThere || one.notBooked}
          <tr>
            <td></td>
            <td class="words" colspan="6">
              {#if one.amiss}<span class="bad">{one.amiss}.</span>{/if}
              {#if one.isThere}<span class="hush">This statement is there already.</span>{/if}
              {#if one.notBooked}<span class="hush"
                  >{one.notBooked} {one.notBooked === 1 ? 'entry is' : 'entries are'} not booked yet and left out.</span
                >{/if}
            </td>
          </tr>
        {/if}
      {/each}
    </tbody>
  </table>
</div>
<div class="mt-2 flex items-center gap-2">
  <Act main disabled={!!unknown} onclick={() => void work.takeStatements()}
    >{count === 1 ? 'Bring it in' : 'Bring them in'}</Act
  >
  <Act onclick={() => work.next()}>Skip this file</Act>
  {#if unknown}<span class="hush">Say first which account {unknown.accountNumber} is; it is remembered.</span>{/if}
</div>
