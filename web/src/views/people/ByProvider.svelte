<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import { answer, api, type Schemas } from '../../lib/api';
  import Refusal from '../../lib/Refusal.svelte';

  interface Props {
    /** The word of an invitation, where somebody comes by one. */
    invitation?: string;
    /** What is done there, before the provider's name. */
    act?: string;
    /** For who is signed in: it is added to their sign-ins, and taken away. */
    own?: boolean;
  }

  let { invitation, act = 'Sign in by', own = false }: Props = $props();
  let provider = $state.raw<Schemas['ProviderView']>();
  let refusal = $state(takenSaid());

  /** What was said to who came back from there in vain, once. */
  function takenSaid(): string {
    const said = /(?:^|; )ebbtide-said=([^;]*)/.exec(document.cookie)?.[1] ?? '';
    if (said) document.cookie = 'ebbtide-said=; max-age=0; path=/; samesite=strict';
    return decodeURIComponent(said);
  }

  async function load() {
    const got = await answer(api.GET('/api/provider'));
    if (got.ok) provider = got.data;
  }

  async function go() {
    const got = await answer(api.POST('/api/provider/begin', { body: { invitation: invitation ?? null } }));
    if (got.ok) location.href = got.data.address;
    else refusal = got.problem.detail;
  }

  async function takeAway() {
    const got = await answer(api.DELETE('/api/provider'));
    refusal = got.ok ? '' : got.problem.detail;
    await load();
  }

  void load();
</script>

{#if provider?.name}
  <div class={['flex flex-col gap-2', own && 'card']}>
    {#if own && provider.added}
      <p>You sign in by {provider.name} too.</p>
      <div><Act onclick={() => void takeAway()}>Take it away</Act></div>
    {:else}
      <div><Act onclick={() => void go()}>{act} {provider.name}</Act></div>
    {/if}
    <Refusal words={refusal} />
  </div>
{/if}
