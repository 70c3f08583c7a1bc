<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import type { Snippet } from 'svelte';

  interface Props {
    onclick?: () => void;
    href?: string;
    /** The act that a view is made for. */
    main?: boolean;
    disabled?: boolean;
    title?: string;
    type?: 'button' | 'submit';
    children: Snippet;
  }

  let { onclick, href, main = false, disabled = false, title, type = 'button', children }: Props = $props();
</script>

<Button
  {onclick}
  {href}
  {disabled}
  {title}
  type={href ? undefined : type}
  size="xs"
  color={main ? 'primary' : 'light'}
  class="h-[27px] rounded-[3px] px-[11px] py-0 text-[13px] {main
    ? 'font-semibold'
    : 'font-normal'} whitespace-nowrap focus-within:ring-0"
>
  {@render children()}
</Button>
