<script lang="ts">
  import Dialog from './Dialog.svelte';
  import { KEYS } from './views';

  interface Props {
    open: boolean;
  }

  let { open = $bindable() }: Props = $props();
</script>

<Dialog bind:open title="Keys" size="lg">
  <div class="columns-2 gap-6">
    {#each KEYS as group (group.where)}
      <section class="mb-2 break-inside-avoid">
        <h2 class="mb-1 font-semibold">{group.where}</h2>
        <dl class="grid grid-cols-[92px_1fr] gap-y-[3px]">
          {#each group.keys as [key, does] (key)}
            <dt><kbd>{key}</kbd></dt>
            <dd>{does}</dd>
          {/each}
        </dl>
      </section>
    {/each}
  </div>
</Dialog>
