<script lang="ts">
  import TypedField from '../../lib/fields/TypedField.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import { Said } from '../../lib/said.svelte';
  import type { SharedTerms } from '../lines/kinds/stream/terms';

  const plan = getPlan();
  const said = new Said();
  const terms = $derived(plan.settings.terms ?? []);

  async function change(by: (now: SharedTerms[]) => SharedTerms[]): Promise<string> {
    const problem = await plan.putSettings((now) => ({ ...now, terms: by(now.terms) }));
    return problem?.detail ?? '';
  }
</script>

<section class="card" aria-label="Shared terms">
  <b class="font-semibold">Shared terms</b>
  <span class="hush">changed on any line that shares them, and then for all of them</span>
  {#each terms as one (one.id)}
    <div class="mt-1.5 flex items-baseline gap-3">
      <TypedField
        name="Name of terms {one.name}"
        class="w-[220px]"
        maxlength={120}
        value={one.name}
        onput={(name) => change((now) => now.map((each) => (each.id === one.id ? { ...each, name } : each)))}
      />
      <span class="hush flex-1"
        >{{ months: 'by a pattern of months', days: 'by days', target: 'at a target of days' }[
          String(one.termsBy ?? 'months')
        ]}</span
      >
      <button class="underline" onclick={() => void said.of(change((now) => now.filter((each) => each.id !== one.id)))}
        >Take out</button
      >
    </div>
  {:else}
    <p class="hush mt-1.5">None yet: on a line, choose to share its terms under a name.</p>
  {/each}
  <Refusal words={said.words} class="mt-1" />
</section>
