<script lang="ts">
  import EntryField from '../../lib/fields/EntryField.svelte';
  import type { TypedWhen } from './whatif';

  interface Props {
    typed: TypedWhen;
    /** Whether such a change can come and go over some months. */
    ramps: boolean;
  }

  let { typed = $bindable(), ramps }: Props = $props();
</script>

<EntryField above label="From" class="w-[110px]" placeholder="always" bind:value={typed.from} />
<EntryField above label="To" class="w-[110px]" placeholder="no end" bind:value={typed.to} />
{#if ramps && typed.from.trim()}
  <EntryField
    above
    label="coming over"
    title="Whole in the last of so many months"
    class="w-[84px]"
    placeholder="months"
    bind:value={typed.comes}
  />
{/if}
{#if ramps && typed.to.trim()}
  <EntryField
    above
    label="going over"
    title="Whole until the last so many months begin"
    class="w-[84px]"
    placeholder="months"
    bind:value={typed.goes}
  />
{/if}
