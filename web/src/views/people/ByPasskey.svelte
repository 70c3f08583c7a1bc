<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import { answer, api } from '../../lib/api';
  import Refusal from '../../lib/Refusal.svelte';
  import { who } from '../../lib/who.svelte';
  import { hasPasskeys, use } from './device';

  interface Props {
    /** Told once somebody is signed in. */
    onin?: () => void;
  }

  let { onin }: Props = $props();
  let refusal = $state('');
  let busy = $state(false);

  async function signIn() {
    busy = true;
    refusal = (await signedIn()) ?? '';
    busy = false;
    if (!refusal) onin?.();
  }

  /** Returns why not, nothing once somebody is. */
  async function signedIn(): Promise<string | undefined> {
    const asked = await answer(api.POST('/api/sign-in/passkey/begin'));
    if (!asked.ok) return asked.problem.detail;
    const { challenge, options } = asked.data;
    const device = await use(options);
    if (!device.ok) return device.sentence;
    const got = await answer(api.POST('/api/sign-in/passkey', { body: { challenge, credential: device.credential } }));
    if (!got.ok) return got.problem.detail;
    who.became(got.data);
  }
</script>

{#if hasPasskeys()}
  <div class="flex flex-col gap-2">
    <div><Act disabled={busy} onclick={() => void signIn()}>Sign in with a passkey</Act></div>
    <Refusal words={refusal} />
  </div>
{/if}
