<script lang="ts">
  import EntryField from '../../../../lib/fields/EntryField.svelte';
  interface Props {
    /** Called with a reason that says something. */
    ongive: (reason: string) => void;
    onleave: () => void;
  }

  let { ongive, onleave }: Props = $props();
  let reason = $state('');
  let asked = $state(false);

  function submit(e: Event) {
    e.preventDefault();
    asked = !reason.trim();
    if (!asked) ongive(reason);
  }

  /** It opened to be typed in. */
  function focus(field: HTMLInputElement) {
    field.focus();
  }
</script>

<form class="mt-2 flex items-center gap-2" onsubmit={submit}>
  <EntryField
    label="Overrides what is computed, because"
    class="w-[300px]"
    refusal={asked ? 'Say why: an override keeps its reason, so that it is not a puzzle next month.' : ''}
    bind:value={reason}
    {@attach focus}
  />
  <button class="underline" type="submit">Override</button>
  <button class="underline" type="button" onclick={onleave}>Leave it</button>
</form>
