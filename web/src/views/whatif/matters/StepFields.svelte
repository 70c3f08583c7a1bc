<script lang="ts">
  import TypedField from '../../../lib/fields/TypedField.svelte';
  import type { Steps } from './ranking.svelte';

  interface Props {
    steps: Steps;
    onput: (steps: Steps) => void;
  }

  let { steps, onput }: Props = $props();
  const FIELDS = [
    { key: 'share', name: 'money, quantities and prices by', unit: '%', whole: false, most: 100 },
    { key: 'points', name: 'percentages by', unit: 'points', whole: false, most: 100 },
    { key: 'days', name: 'days by', unit: '', whole: true, most: 366 },
    { key: 'months', name: 'months by', unit: '', whole: true, most: 60 },
  ] as const;

  function put(field: (typeof FIELDS)[number], typed: string): string {
    const plain = typed.trim();
    const fits = field.whole ? /^\d{1,3}$/ : /^\d{1,3}(\.\d{1,4})?$/;
    if (!fits.test(plain) || Number(plain) > field.most) {
      return `A step is ${field.whole ? 'a whole number' : 'a number'} from 0 to ${field.most}, but was '${typed}'.`;
    }
    onput({ ...steps, [field.key]: plain });
    return '';
  }
</script>

<div class="hush mb-2 flex flex-wrap items-baseline gap-x-3">
  Each by itself:
  {#each FIELDS as field (field.key)}
    <span class="whitespace-nowrap">
      <TypedField
        value={steps[field.key]}
        onput={(typed) => put(field, typed)}
        label="{field.name} "
        class="w-[46px] text-right"
      />
      {field.unit}
    </span>
  {/each}
</div>
