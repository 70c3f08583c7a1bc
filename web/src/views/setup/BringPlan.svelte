<script lang="ts">
  import { push } from 'svelte-spa-router';
  import Act from '../../lib/Act.svelte';
  import { answer, api, type Schemas } from '../../lib/api';

  /** What is sent is the text of a file, which nobody has read yet. */
  const PLACE: Schemas['sent.planFile'] = {
    format: 'ebbtide-plan',
    version: 1,
    settings: { name: '', currency: '', asOf: '' },
  };
  let refusals = $state.raw<string[]>([]);
  let picker = $state<HTMLInputElement>();

  async function bring(field: HTMLInputElement) {
    const file = field.files?.[0];
    if (!file) return;
    const text = await file.text();
    field.value = '';
    const got = await answer(
      api.POST('/api/plans', {
        body: PLACE,
        bodySerializer: () => text,
        headers: { 'Content-Type': 'application/json' },
      }),
    );
    refusals = got.ok ? [] : got.problem.problems.map((problem) => `${problem.place}: ${problem.sentence}`);
    if (got.ok) void push(`/plan/${got.data.id}/forecast`);
    else if (refusals.length === 0) refusals = [got.problem.detail];
  }
</script>

<Act onclick={() => picker?.click()}>Bring in a plan file</Act>
<input
  class="sr-only"
  type="file"
  accept=".json,application/json"
  aria-label="Plan file"
  tabindex="-1"
  bind:this={picker}
  onchange={(e) => void bring(e.currentTarget)}
/>
{#if refusals.length}
  <div role="alert" class="bad basis-full">
    {#each refusals as refusal, i (i)}<p>{refusal}</p>{/each}
  </div>
{/if}
