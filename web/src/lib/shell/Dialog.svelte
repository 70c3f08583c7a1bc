<script lang="ts">
  import { Modal } from 'flowbite-svelte';
  import type { Snippet } from 'svelte';

  interface Props {
    open: boolean;
    title: string;
    size?: 'sm' | 'md' | 'lg' | 'xl';
    children: Snippet;
  }

  let { open = $bindable(), title, size = 'sm', children }: Props = $props();
</script>

<!-- What must interrupt: the library's modal in our colours, left with Esc. -->
<Modal
  bind:open
  {title}
  {size}
  transitionParams={{ duration: 0 }}
  classes={{ header: 'p-3 md:p-3 text-[15px] font-semibold', body: 'p-3 md:p-3 text-[13px] text-ink space-y-0' }}
  class="rounded-[4px] text-ink"
>
  {@render children()}
</Modal>
