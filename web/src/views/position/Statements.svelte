<script lang="ts">
  import type { Schemas } from '../../lib/api';
  import { longDay } from '../../lib/dates';
  import { getPlan } from '../../lib/plan.svelte';

  interface Props {
    statements: Schemas['PositionView']['statements'];
  }

  let { statements }: Props = $props();
  const plan = getPlan();
</script>

<table class="figures" aria-label="Statements brought in">
  <thead>
    <tr>
      <th class="words" scope="col">Brought in</th><th class="words" scope="col">Account</th><th
        class="words"
        scope="col">File</th
      >
      <th scope="col">Movements</th><th class="words" scope="col">Days</th><th class="words" scope="col">No.</th><th
        scope="col">Opened with</th
      ><th scope="col">Closed with</th>
    </tr>
  </thead>
  <tbody>
    {#each statements as statement (statement.id)}
      <tr>
        <td class="words">{longDay(statement.broughtInAt.slice(0, 10))}</td>
        <td class="words"
          >{plan.view?.accounts.find((account) => account.id === statement.account)?.name ?? statement.account}</td
        >
        <td class="words">{statement.fileName}</td>
        <td>{statement.movements}</td>
        <td class="words">{longDay(statement.firstDay)} – {longDay(statement.lastDay)}</td>
        <td class="words">{statement.number ?? ''}</td>
        <td>{statement.opening === null ? '' : plan.money.full(statement.opening)}</td>
        <td>{statement.closing === null ? '' : plan.money.full(statement.closing)}</td>
      </tr>
      {#if statement.amiss}
        <tr><td></td><td class="words bad" colspan="7">{statement.amiss}.</td></tr>
      {/if}
    {/each}
  </tbody>
</table>
{#if statements.length === 0}<p class="card">
    No statement was brought in yet: drop a bank's file (camt.053, MT940, OFX or CSV) anywhere on this page.
  </p>{/if}
