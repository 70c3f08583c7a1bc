<script lang="ts">
  import type { TypedWhen } from './whatif';

  interface Props {
    typed: TypedWhen;
    /** Whether such a change can come and go over some months. */
    ramps: boolean;
  }

  let { typed = $bindable(), ramps }: Props = $props();
</script>

<label
  ><span class="hush block">From</span>
  <input class="small-field w-[110px]" placeholder="always" bind:value={typed.from} /></label
>
<label
  ><span class="hush block">To</span>
  <input class="small-field w-[110px]" placeholder="no end" bind:value={typed.to} /></label
>
{#if ramps && typed.from.trim()}
  <label title="Whole in the last of so many months"
    ><span class="hush block">coming over</span>
    <input class="small-field w-[84px]" placeholder="months" bind:value={typed.comes} /></label
  >
{/if}
{#if ramps && typed.to.trim()}
  <label title="Whole until the last so many months begin"
    ><span class="hush block">going over</span>
    <input class="small-field w-[84px]" placeholder="months" bind:value={typed.goes} /></label
  >
{/if}
