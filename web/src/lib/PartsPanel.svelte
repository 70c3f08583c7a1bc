<script lang="ts">
  import type { Loaded } from './loaded.svelte';
  import { getPlan } from './plan.svelte';
  import Refusal from './Refusal.svelte';
  import SidePanel from './SidePanel.svelte';

  interface Props {
    /** The figure that is explained, and its days. */
    title: string;
    sub: string;
    /** Its parts, each with its cause, as they are asked for. */
    parts: Loaded<{ what: string; because: string; minor: number }[]>;
    onclose: () => void;
  }

  let { title, sub, parts, onclose }: Props = $props();
  const plan = getPlan();
</script>

<SidePanel {title} {sub} {onclose}>
  {#if parts.problem}
    <Refusal words={parts.problem.detail} />
  {:else if parts.data?.length}
    <table class="figures mt-1">
      <tbody>
        {#each parts.data as item, i (i)}
          <tr>
            <td class="words !whitespace-normal"
              >{item.what}{#if item.because}<br /><small class="hush">{item.because}</small>{/if}</td
            >
            <td class="align-top">{plan.money.full(item.minor)}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  {:else if parts.data}
    <p class="hush">Nothing: no part of it is other than nil.</p>
  {/if}
</SidePanel>
