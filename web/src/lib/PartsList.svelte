<script lang="ts">
  import { getPlan } from './plan.svelte';

  interface Props {
    /** The parts of a figure, each with its cause. */
    parts: { what: string; because: string; minor: number }[];
  }

  let { parts }: Props = $props();
  const plan = getPlan();
</script>

<table class="figures mt-1">
  <tbody>
    {#each parts as item, i (i)}
      <tr>
        <td class="words !whitespace-normal"
          >{item.what}{#if item.because}<br /><small class="hush">{item.because}</small>{/if}</td
        >
        <td class="align-top">{plan.money.full(item.minor)}</td>
      </tr>
    {/each}
  </tbody>
</table>
