<script lang="ts">
  import EntryField from '../../lib/fields/EntryField.svelte';
  import Act from '../../lib/Act.svelte';
  import { answer, api } from '../../lib/api';
  import { getPlan } from '../../lib/plan.svelte';

  const plan = getPlan();
  let months = $state('');
  let refusal = $state('');

  async function move(e: Event) {
    e.preventDefault();
    if (!/^[-\u2212]?\d{1,2}$/.test(months.trim())) {
      refusal = `'${months}' is no number of months: type 2, or -1 to bring everything forward.`;
      return;
    }
    const by = Number(months.trim().replace('\u2212', '-'));
    const problem = await plan.edit((version) =>
      answer(
        api.POST('/api/plans/{plan}/move', { params: { path: { plan: plan.id }, query: { version, months: by } } }),
      ),
    );
    refusal = problem?.detail ?? '';
    if (!problem) months = '';
  }
</script>

<form class="flex flex-wrap items-center gap-2" onsubmit={move}>
  <label class="hush" for="move-months">Move all that lies ahead by</label>
  <EntryField id="move-months" class="w-[46px] text-right" bind:value={months} placeholder="0" />
  <span class="hush">months</span>
  <Act type="submit">Move</Act>
  {#if refusal}<span class="bad basis-full" role="alert">{refusal}</span>{/if}
</form>
