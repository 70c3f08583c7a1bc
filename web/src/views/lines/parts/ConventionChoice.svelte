<script lang="ts">
  import ChoiceField from '../../../lib/fields/ChoiceField.svelte';
  import type { Schemas } from '../../../lib/api';

  type Convention = Schemas['convention'];

  interface Props {
    value: Convention;
    onput: (convention: Convention) => Promise<string>;
  }

  let { value, onput }: Props = $props();
</script>

<ChoiceField
  label="A date without banking becomes"
  {value}
  {onput}
  options={[
    { value: 'following', name: 'the next business day' },
    { value: 'modified-following', name: 'the next one within the month' },
    { value: 'preceding', name: 'the business day before' },
    { value: 'none', name: 'stays as it is' },
  ]}
/>
