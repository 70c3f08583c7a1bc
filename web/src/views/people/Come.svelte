<script lang="ts">
  import { replace } from 'svelte-spa-router';
  import Act from '../../lib/Act.svelte';
  import { answer, api, type Schemas } from '../../lib/api';
  import { longDay } from '../../lib/dates';
  import EntryField from '../../lib/fields/EntryField.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import Mark from '../../lib/shell/Mark.svelte';
  import { who } from '../../lib/who.svelte';
  import ByProvider from './ByProvider.svelte';
  import SignIn from './SignIn.svelte';

  interface Props {
    params?: Record<string, string>;
  }

  let { params }: Props = $props();
  const word = $derived(params?.word ?? '');
  let invitation = $state.raw<Schemas['InvitationView']>();
  let name = $state('');
  let login = $state('');
  let password = $state('');
  let refusal = $state('');
  let busy = $state(false);
  let isThere = $state(false);
  const anew = $derived(invitation?.login ?? '');

  async function look() {
    const got = await answer(api.POST('/api/invitations/look', { body: { word } }));
    if (got.ok) invitation = got.data;
    else refusal = got.problem.detail;
  }

  function goOn() {
    void replace(invitation?.planId ? `/plan/${invitation.planId}/forecast` : '/plans');
  }

  async function come(e: SubmitEvent) {
    e.preventDefault();
    busy = true;
    const got = await answer(api.POST('/api/invitations/accept', { body: { word, name, login, password } }));
    busy = false;
    refusal = got.ok ? '' : got.problem.detail;
    if (!got.ok) return;
    who.became(got.data);
    goOn();
  }

  async function join() {
    const got = await answer(api.POST('/api/invitations/join', { body: { word } }));
    if (got.ok) goOn();
    else refusal = got.problem.detail;
  }

  void look();
</script>

<svelte:head><title>Welcome · Ebbtide</title></svelte:head>
<header class="flex h-[46px] items-center bg-abyss px-[18px]"><Mark /></header>
<main class="mx-auto max-w-[460px] px-4 pt-8">
  {#if !invitation}
    <h1 class="mb-3">Welcome</h1>
    <Refusal words={refusal} />
  {:else if anew}
    <form onsubmit={come} class="card flex flex-col gap-3">
      <h1>Set a password anew</h1>
      <EntryField value={anew} label="Login" above wide readonly autocomplete="username" />
      {@render choose('Set it')}
    </form>
  {:else if isThere && !who.said?.id}
    <SignIn />
  {:else if who.said?.id}
    <section class="card flex flex-col gap-3">
      <h1>{invitation.plan}</h1>
      <p>
        {invitation.madeBy} invites you, {who.said.name}, to be {invitation.role} of it.
      </p>
      <Refusal words={refusal} />
      <div><Act main onclick={() => void join()}>Join</Act></div>
    </section>
  {:else}
    <form onsubmit={come} class="card flex flex-col gap-3">
      <h1>{invitation.plan ?? 'Be the first here'}</h1>
      <p>
        {invitation.plan
          ? `${invitation.madeBy} invites you to be ${invitation.role} of it; until ${longDay(invitation.until.slice(0, 10))}.`
          : 'You look after people and data from then on, own the plans that are there, and invite others.'}
      </p>
      <EntryField bind:value={name} label="Your name, as others see it" above wide autocomplete="name" />
      <EntryField bind:value={login} label="Login: your address, or any name" above wide autocomplete="username" />
      {@render choose('Come in')}
      <ByProvider invitation={word} act="Come in by" />
      {#if invitation.plan}
        <button type="button" class="self-start underline" onclick={() => (isThere = true)}>
          I am here already: sign in
        </button>
      {/if}
    </form>
  {/if}
</main>

{#snippet choose(act: string)}
  <EntryField bind:value={password} label="A password" above wide type="password" autocomplete="new-password" />
  <p class="hush">At least twelve letters. A few words that do not belong together are easy to keep in mind.</p>
  <Refusal words={refusal} />
  <div><Act main type="submit" disabled={busy}>{act}</Act></div>
{/snippet}
