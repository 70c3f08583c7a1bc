<script lang="ts">
  import { Said } from '../../lib/said.svelte';
  import DayTermsEditor from './DayTermsEditor.svelte';
  import PatternEditor from './PatternEditor.svelte';
  import type { Json, Save } from './save';

  interface Props {
    assumption: Json;
    save: Save;
  }

  let { assumption, save }: Props = $props();
  const by = $derived(String(assumption.termsBy ?? 'months'));
  const said = new Said();

  /** What was typed into the other terms stays with the line. */
  function choose(termsBy: string) {
    const words = termsBy === 'days' ? 'paid by days' : 'paid by a pattern of months';
    void said.of(
      save((now) => ({ ...now, termsBy, days: now.days ?? { due: 'after-issue', days: 30, late: 0 } }), words),
    );
  }
</script>

{#snippet head()}
  <span class="flex items-baseline gap-3">
    <b class="font-semibold">When it is paid</b>
    <select class="small-field" aria-label="Terms" value={by} onchange={(e) => choose(e.currentTarget.value)}>
      <option value="months">by a pattern of months</option><option value="days">by days</option>
    </select>
  </span>
{/snippet}

{#if by === 'days'}
  <div class="mb-1.5">{@render head()}</div>
  <DayTermsEditor days={assumption.days as Json} {save} />
{:else}
  <PatternEditor {assumption} {save} {head} />
{/if}
{#if said.words}<p class="bad mt-1" role="alert">{said.words}</p>{/if}
