<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import { answer, api, type Schemas } from '../../lib/api';
  import EntryField from '../../lib/fields/EntryField.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import { who } from '../../lib/who.svelte';

  let offered = $state.raw<Schemas['Offered']>();
  let code = $state('');
  let codes = $state.raw<string[]>([]);
  let password = $state('');
  let refusal = $state('');

  async function offer() {
    const got = await answer(api.POST('/api/second-factor'));
    if (got.ok) offered = got.data;
    refusal = got.ok ? '' : got.problem.detail;
  }

  async function set(e: SubmitEvent) {
    e.preventDefault();
    const got = await answer(api.PUT('/api/second-factor', { body: { secret: offered!.secret, code } }));
    refusal = got.ok ? '' : got.problem.detail;
    if (!got.ok) return;
    codes = got.data.codes;
    offered = undefined;
    await who.ask();
  }

  async function remove(e: SubmitEvent) {
    e.preventDefault();
    const got = await answer(api.POST('/api/second-factor/remove', { body: { password } }));
    refusal = got.ok ? '' : got.problem.detail;
    if (!got.ok) return;
    password = '';
    codes = [];
    await who.ask();
  }
</script>

<section class="card flex flex-col gap-2" aria-label="Second factor">
  <b class="font-semibold">Second factor</b>
  {#if codes.length}
    <p role="status">
      Your device is asked from now on. Keep these codes where you find them without it: each opens once.
    </p>
    <ul class="grid grid-cols-2 font-mono">
      {#each codes as one (one)}<li>{one}</li>{/each}
    </ul>
  {:else if who.said?.secondFactor}
    <form class="flex flex-col gap-2" onsubmit={remove}>
      <p>Six digits of your device are asked for with the password.</p>
      <EntryField
        bind:value={password}
        label="Your password"
        above
        wide
        type="password"
        autocomplete="current-password"
      />
      <div><Act type="submit" disabled={!password}>Take it away</Act></div>
    </form>
  {:else if offered}
    <form class="flex flex-col gap-2" onsubmit={set}>
      <p>
        Type this secret into your device, or <a class="underline" href={offered.address}>open it there</a>, then the
        digits it shows.
      </p>
      <EntryField value={offered.secret} label="Secret" above wide readonly />
      <EntryField bind:value={code} label="Six digits" above inputmode="numeric" autocomplete="one-time-code" />
      <div><Act main type="submit" disabled={!code}>Set it up</Act></div>
    </form>
  {:else}
    <p>A password can be stolen; with a second factor your device is asked for too.</p>
    <div><Act onclick={() => void offer()}>Set one up</Act></div>
  {/if}
  <Refusal words={refusal} />
</section>
