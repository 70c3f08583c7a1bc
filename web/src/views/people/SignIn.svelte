<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import { answer, api } from '../../lib/api';
  import EntryField from '../../lib/fields/EntryField.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import { who } from '../../lib/who.svelte';
  import ByPasskey from './ByPasskey.svelte';
  import ByProvider from './ByProvider.svelte';

  interface Props {
    /** Told once somebody is signed in. */
    onin?: () => void;
  }

  let { onin }: Props = $props();
  let login = $state(who.said?.login ?? '');
  let password = $state('');
  let code = $state('');
  let codeWanted = $state(false);
  let refusal = $state('');
  let busy = $state(false);

  async function signIn(e: SubmitEvent) {
    e.preventDefault();
    busy = true;
    const got = await answer(api.POST('/api/sign-in', { body: { login, password, code } }));
    busy = false;
    refusal = got.ok ? '' : got.problem.detail;
    if (got.ok) {
      who.became(got.data);
      onin?.();
    } else if (got.problem.problems.some((one) => one.place === '/code')) {
      codeWanted = true;
      refusal = '';
    }
  }
</script>

<form onsubmit={signIn} class="card flex flex-col gap-3">
  <h1>Sign in</h1>
  <EntryField bind:value={login} label="Login" above wide autocomplete="username" />
  <EntryField bind:value={password} label="Password" above wide type="password" autocomplete="current-password" />
  {#if codeWanted}
    <EntryField
      bind:value={code}
      label="Six digits of your device, or a recovery code"
      above
      wide
      autocomplete="one-time-code"
    />
  {/if}
  <Refusal words={refusal} />
  <div><Act main type="submit" disabled={busy || !login || !password}>Sign in</Act></div>
  <ByPasskey {onin} />
  {#if !who.ended}<ByProvider />{/if}
  <p class="hush">
    You come in by an invitation, which an owner of a plan sends you. Whoever has forgotten the password asks a steward
    for a way to set it anew.
  </p>
</form>
