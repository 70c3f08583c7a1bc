<script lang="ts">
  import { answer, api } from '../../lib/api';
  import { Loaded } from '../../lib/loaded.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import { putRule, type RuleJson } from './assigning';

  const plan = getPlan();
  const rules = new Loaded((signal) => {
    void plan.version;
    return answer(api.GET('/api/plans/{plan}/rules', { params: { path: { plan: plan.id } }, signal }));
  });

  function words(rule: RuleJson): string {
    return [
      rule.direction === 'receipt' ? 'money in' : 'money out',
      rule.text && `text holds “${rule.text}”`,
      rule.counterparty && `counterparty holds “${rule.counterparty}”`,
      rule.account && `on ${plan.view!.accounts.find((a) => a.id === rule.account)?.name}`,
      rule.least && `from ${rule.least}`,
      rule.most && `to ${rule.most}`,
    ]
      .filter(Boolean)
      .join(', ');
  }

  function forget(id: string) {
    void plan.edit((version) =>
      answer(
        api.DELETE('/api/plans/{plan}/rules/{id}', { params: { path: { plan: plan.id, id }, query: { version } } }),
      ),
    );
  }
</script>

<table class="figures" aria-label="Remembered rules">
  <thead>
    <tr
      ><th class="words" scope="col">When</th><th class="words" scope="col">It belongs to</th><th scope="col"
        >Fits, unassigned</th
      ><th scope="col"></th></tr
    >
  </thead>
  <tbody>
    {#each rules.data ?? [] as view (view.rule.id)}
      {@const rule = view.rule}
      <tr>
        <td class="words">{words(rule)}</td>
        <td class="words"
          >{rule.line
            ? plan.view!.lines.find((line) => line.id === rule.line)?.name
            : 'transfers between own accounts'}</td
        >
        <td>{view.fits || '·'}</td>
        <td>
          {#if view.fits}<button class="mr-3 underline" onclick={() => void putRule(plan, rule)}>Assign them</button
            >{/if}
          <button class="underline" onclick={() => forget(rule.id)}>Forget</button>
        </td>
      </tr>
    {/each}
  </tbody>
</table>
{#if rules.data?.length === 0}<p class="card">
    No rule is remembered yet. Press R on a movement to make one of it.
  </p>{/if}
