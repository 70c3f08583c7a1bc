<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import { answer, api } from '../../lib/api';
  import { getPlan } from '../../lib/plan.svelte';

  interface Props {
    /** A line planned by its pattern alone, on which items count for nothing. */
    line: { id: string; name: string };
  }

  let { line }: Props = $props();
  const plan = getPlan();
  let refusal = $state('');

  async function keep() {
    const got = await answer(
      api.GET('/api/plans/{plan}/lines/{id}', { params: { path: { plan: plan.id, id: line.id }, query: {} } }),
    );
    if (!got.ok) {
      refusal = got.problem.detail;
      return;
    }
    const now = got.data.line;
    if (now.assumption.kind !== 'stream') return;
    const assumption = { ...now.assumption, basis: 'books' as const };
    refusal = (await plan.putLine({ ...now, assumption }, `Open items kept for '${line.name}'`))?.detail ?? '';
  }
</script>

<p class="flex flex-wrap items-center gap-2">
  <span>
    '{line.name}' is planned by its pattern alone, so items count for nothing there. With open items kept, they make its
    near weeks, and the plan adds what they leave of each month.
  </span>
  <Act onclick={() => void keep()}>Keep open items for it</Act>
  {#if refusal}<span class="bad" role="alert">{refusal}</span>{/if}
</p>
