<script lang="ts">
  import { answer, api, type Schemas } from '../../lib/api';
  import Refusal from '../../lib/Refusal.svelte';
  import LogTable from '../../lib/LogTable.svelte';
  import Mark from '../../lib/shell/Mark.svelte';
  import OneWord from './OneWord.svelte';
  import { addressOf } from './people';

  let people = $state.raw<Schemas['PersonView'][]>([]);
  let changed = $state(0);
  let refusal = $state('');
  let anew = $state('');

  async function load() {
    const got = await answer(api.GET('/api/people'));
    if (got.ok) people = got.data;
    changed++;
  }

  async function put(one: Schemas['PersonView'], standing: { steward: boolean; shutOut: boolean }) {
    const got = await answer(api.PUT('/api/people/{id}', { params: { path: { id: one.id } }, body: standing }));
    refusal = got.ok ? '' : got.problem.detail;
    await load();
  }

  async function letSetAnew(id: string) {
    const got = await answer(api.POST('/api/people/{id}/anew', { params: { path: { id } } }));
    refusal = got.ok ? '' : got.problem.detail;
    anew = got.ok ? addressOf('come', got.data.word) : '';
  }

  void load();
</script>

<svelte:head><title>People · Ebbtide</title></svelte:head>
<header class="flex h-[46px] items-center bg-abyss px-[18px]"><a href="#/plans" title="All plans"><Mark /></a></header>
<main class="mx-auto flex max-w-[860px] flex-col gap-3 px-4 pt-8">
  <h1>People</h1>
  <section class="card" aria-label="Everybody">
    <table class="figures w-full">
      <thead>
        <tr>
          <th class="words" scope="col">Who</th><th class="words" scope="col">Login</th>
          <th class="words" scope="col">Second factor</th><th class="words" scope="col">Steward</th>
          <th class="words" scope="col">Shut out</th><th class="words" scope="col"></th>
        </tr>
      </thead>
      <tbody>
        {#each people as one (one.id)}
          <tr>
            <td class="words">{one.name}</td>
            <td class="words">{one.login}</td>
            <td class="words">{one.secondFactor ? 'yes' : 'no'}</td>
            <td class="words">
              <input
                type="checkbox"
                aria-label="{one.name} looks after people and data"
                checked={one.steward}
                onchange={(e) => void put(one, { steward: e.currentTarget.checked, shutOut: one.shutOut })}
              />
            </td>
            <td class="words">
              <input
                type="checkbox"
                aria-label="{one.name} is shut out"
                checked={one.shutOut}
                onchange={(e) => void put(one, { steward: one.steward, shutOut: e.currentTarget.checked })}
              />
            </td>
            <td class="words">
              <button
                class="underline"
                aria-label="Let {one.name} set a password anew"
                onclick={() => void letSetAnew(one.id)}>New password</button
              >
            </td>
          </tr>
        {/each}
      </tbody>
    </table>
    {#if anew}<OneWord words="Whoever opens this address within a day sets the password anew." address={anew} />{/if}
    <Refusal words={refusal} class="mt-2" />
    <p class="hush mt-2">
      Others come by an invitation to a plan, which its owner makes in Setup. A steward looks after people and data.
    </p>
  </section>
  <section class="card" aria-label="What happened">
    <b class="font-semibold">What happened</b>
    <LogTable version={changed} empty="Nothing happened yet." />
  </section>
</main>
