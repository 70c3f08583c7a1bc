<script lang="ts">
  import { replace } from 'svelte-spa-router';
  import { answer, api } from '../../lib/api';
  import Refusal from '../../lib/Refusal.svelte';
  import Mark from '../../lib/shell/Mark.svelte';
  import { who } from '../../lib/who.svelte';

  interface Props {
    params?: Record<string, string>;
  }

  let { params }: Props = $props();
  let refusal = $state('');

  async function look() {
    const got = await answer(api.POST('/api/viewing', { body: { word: params?.word ?? '' } }));
    if (got.ok) {
      await who.ask();
      void replace(`/plan/${got.data.plan}/forecast`);
    } else refusal = got.problem.detail;
  }

  void look();
</script>

<svelte:head><title>A plan · Ebbtide</title></svelte:head>
<header class="flex h-[46px] items-center bg-abyss px-[18px]"><Mark /></header>
<main class="mx-auto max-w-[460px] px-4 pt-8">
  <h1 class="mb-3">A plan to look at</h1>
  <Refusal words={refusal} />
</main>
