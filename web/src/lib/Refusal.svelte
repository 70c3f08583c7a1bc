<script lang="ts">
  interface Props {
    /** What is wrong and how to mend it; empty where nothing is. */
    words: string | undefined;
    class?: string;
  }

  let { words, class: more = '' }: Props = $props();
</script>

{#if words}<p class="bad {more}" role="alert">{words}</p>{/if}
