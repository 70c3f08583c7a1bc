<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import EntryField from '../../lib/fields/EntryField.svelte';

  interface Props {
    /** What the address is for, and for how long. */
    words: string;
    address: string;
  }

  let { words, address }: Props = $props();
  let said = $state('Copy');

  async function copy() {
    try {
      await navigator.clipboard.writeText(address);
      said = 'Copied';
    } catch {
      // A browser gives pages that come without encryption no clipboard, and may refuse it to others.
      said = 'Select it, and copy by hand';
    }
  }
</script>

<div role="status" class="mt-2 border-t border-rule pt-2">
  <p>{words} It is shown this once: send it to nobody else.</p>
  <div class="mt-1 flex items-end gap-2">
    <div class="flex-1"><EntryField value={address} name="The address to send" wide readonly /></div>
    <Act onclick={() => void copy()}>{said}</Act>
  </div>
</div>
