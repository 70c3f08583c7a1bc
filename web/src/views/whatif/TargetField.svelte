<script lang="ts">
  import { answer, api } from '../../lib/api';
  import { Loaded } from '../../lib/loaded.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import { choices, type Choice } from './whatif';

  interface Props {
    words: string;
    /** What the words name; nothing while they name nothing. */
    found: Choice | undefined;
    label: string;
  }

  let { words = $bindable(), found = $bindable(), label }: Props = $props();
  const plan = getPlan();
  const list = $props.id();

  const assumptions = new Loaded((signal) => {
    void plan.version;
    return answer(api.GET('/api/plans/{plan}/assumptions', { params: { path: { plan: plan.id } }, signal }));
  });
  const all = $derived(choices(assumptions.data ?? [], plan.view?.lines ?? []));
  $effect(() => {
    found = all.find((one) => one.words.toLowerCase() === words.trim().toLowerCase());
  });
</script>

<label
  ><span class="hush block">{label}</span>
  <input
    class="small-field w-[330px]"
    list="choices-{list}"
    bind:value={words}
    placeholder="a line, a group or an assumption"
    autocomplete="off"
  /></label
>
<datalist id="choices-{list}">
  {#each all as one (one.words)}<option value={one.words}></option>{/each}
</datalist>
