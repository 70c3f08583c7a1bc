<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import { answer, api, type Schemas } from '../../lib/api';
  import EntryField from '../../lib/fields/EntryField.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import Mark from '../../lib/shell/Mark.svelte';
  import { who } from '../../lib/who.svelte';
  import ByProvider from './ByProvider.svelte';
  import Factor from './Factor.svelte';
  import OwnPasskeys from './OwnPasskeys.svelte';

  let signIns = $state.raw<Schemas['SignInView'][]>([]);
  let old = $state('');
  let password = $state('');
  let said = $state('');
  let refusal = $state('');
  let notEnded = $state('');

  async function load() {
    const got = await answer(api.GET('/api/sign-ins'));
    if (got.ok) signIns = got.data;
  }

  async function end(id: string) {
    const got = await answer(api.DELETE('/api/sign-ins/{id}', { params: { path: { id } } }));
    notEnded = got.ok ? '' : got.problem.detail;
    await load();
  }

  async function change(e: SubmitEvent) {
    e.preventDefault();
    const got = await answer(api.PUT('/api/password', { body: { old, password } }));
    refusal = got.ok ? '' : got.problem.detail;
    if (!got.ok) return;
    said = 'The password is changed, and all other sign-ins have ended.';
    old = password = '';
    await load();
  }

  /** What a browser says of itself that a person knows it by: the machine it runs on. */
  function device(program: string): string {
    return /\(([^)]*)\)/.exec(program)?.[1] ?? program.slice(0, 60);
  }

  void load();
</script>

<svelte:head><title>Your sign-ins · Ebbtide</title></svelte:head>
<header class="flex h-[46px] items-center bg-abyss px-[18px]"><a href="#/plans" title="All plans"><Mark /></a></header>
<main class="mx-auto flex max-w-[640px] flex-col gap-3 px-4 pt-8">
  <div class="flex items-center gap-3">
    <h1 class="flex-1">{who.said?.name}</h1>
    <Act onclick={() => void who.signOut()}>Sign out</Act>
  </div>
  <section class="card" aria-label="Where you are signed in">
    <b class="font-semibold">Where you are signed in</b>
    <ul class="mt-1">
      {#each signIns as one (one.id)}
        <li class="flex gap-2">
          <span class="flex-1">
            since {one.begunAt.slice(0, 16).replace('T', ' ')}, from {one.address}
            <span class="hush">{device(one.program)}</span>
          </span>
          {#if one.isThis}<span class="hush">here</span>{:else}
            <button class="underline" aria-label="End the sign-in from {one.address}" onclick={() => void end(one.id)}
              >End it</button
            >
          {/if}
        </li>
      {/each}
    </ul>
    <Refusal words={notEnded} class="mt-1" />
    <p class="hush mt-1">Each ends after two hours without use, and after twelve hours.</p>
  </section>
  <form class="card flex flex-col gap-2" onsubmit={change} aria-label="Password">
    <b class="font-semibold">Password</b>
    <EntryField bind:value={old} label="The old one" above wide type="password" autocomplete="current-password" />
    <EntryField bind:value={password} label="The new one" above wide type="password" autocomplete="new-password" />
    <Refusal words={refusal} />
    {#if said}<p role="status">{said}</p>{/if}
    <div><Act type="submit" disabled={!old || !password}>Change it</Act></div>
  </form>
  <ByProvider own act="Sign in by" />
  <OwnPasskeys />
  <Factor />
</main>
