<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import { answer, api, type Schemas } from '../../lib/api';
  import EntryField from '../../lib/fields/EntryField.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import { hasPasskeys, make } from './device';

  let keys = $state.raw<Schemas['PasskeyView'][]>([]);
  let password = $state('');
  let label = $state('');
  let refusal = $state('');
  let busy = $state(false);

  async function load() {
    const got = await answer(api.GET('/api/passkeys'));
    if (got.ok) keys = got.data;
    else refusal = got.problem.detail;
  }

  async function add(e: SubmitEvent) {
    e.preventDefault();
    busy = true;
    refusal = (await added()) ?? '';
    busy = false;
    if (!refusal) password = label = '';
  }

  /** Returns why not, nothing once it is there. */
  async function added(): Promise<string | undefined> {
    const asked = await answer(api.POST('/api/passkeys/begin', { body: { label, password } }));
    if (!asked.ok) return asked.problem.detail;
    const { challenge, options } = asked.data;
    const device = await make(options);
    if (!device.ok) return device.sentence;
    const got = await answer(api.POST('/api/passkeys', { body: { challenge, credential: device.credential } }));
    if (!got.ok) return got.problem.detail;
    keys = got.data;
  }

  async function remove(id: string) {
    const got = await answer(api.DELETE('/api/passkeys/{id}', { params: { path: { id } } }));
    if (got.ok) keys = got.data;
    refusal = got.ok ? '' : got.problem.detail;
  }

  function day(at: string): string {
    return at.slice(0, 10);
  }

  void load();
</script>

<form class="card flex flex-col gap-2" aria-label="Passkeys" onsubmit={add}>
  <b class="font-semibold">Passkeys</b>
  <p>
    A passkey stands in your device, which asks you for finger, face or number before it uses it. You sign in with it
    alone: nobody can find it out or trick you out of it.
  </p>
  {#if keys.length}
    <ul>
      {#each keys as one (one.id)}
        <li class="flex gap-2">
          <span class="flex-1">
            {one.label}
            <span class="hush">
              {#if one.madeAt}added {day(one.madeAt)}{/if}{#if one.usedAt}, last used {day(one.usedAt)}{/if}
            </span>
          </span>
          <button
            type="button"
            class="underline"
            aria-label="Take the passkey {one.label} away"
            onclick={() => void remove(one.id)}>Take it away</button
          >
        </li>
      {/each}
    </ul>
  {/if}
  {#if hasPasskeys()}
    <EntryField bind:value={label} label="What you call the device" above wide autocomplete="off" />
    <EntryField
      bind:value={password}
      label="Your password"
      above
      wide
      type="password"
      autocomplete="current-password"
    />
    <div><Act type="submit" disabled={busy || !label}>Add a passkey</Act></div>
  {:else}
    <p class="hush">This browser makes none here: open Ebbtide by https and a name.</p>
  {/if}
  <Refusal words={refusal} />
</form>
