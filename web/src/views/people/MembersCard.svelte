<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import { answer, api, type Schemas } from '../../lib/api';
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import { who } from '../../lib/who.svelte';
  import OneWord from './OneWord.svelte';
  import { addressOf, ROLES, type Role } from './people';
  import ViewerLinks from './ViewerLinks.svelte';

  const plan = getPlan();
  const path = { plan: plan.id };
  let members = $state.raw<Schemas['MemberOfPlan'][]>([]);
  let refusal = $state('');
  let role = $state<Role>('EDITOR');
  let invited = $state('');
  const isOwner = $derived(plan.part?.role === 'OWNER');

  async function load() {
    const got = await answer(api.GET('/api/plans/{plan}/members', { params: { path } }));
    if (got.ok) members = got.data;
    else refusal = got.problem.detail;
  }

  async function put(id: string, given: { role: Role }) {
    const params = { path: { ...path, person: id } };
    const got = await answer(api.PUT('/api/plans/{plan}/members/{person}', { params, body: given }));
    refusal = got.ok ? '' : got.problem.detail;
    await load();
  }

  async function remove(id: string) {
    const params = { path: { ...path, person: id } };
    const got = await answer(api.DELETE('/api/plans/{plan}/members/{person}', { params }));
    refusal = got.ok ? '' : got.problem.detail;
    await load();
  }

  async function invite() {
    const got = await answer(api.POST('/api/plans/{plan}/invitations', { params: { path }, body: { role } }));
    refusal = got.ok ? '' : got.problem.detail;
    invited = got.ok ? addressOf('come', got.data.word) : '';
  }

  void load();
</script>

<section class="card" aria-label="People">
  <b class="font-semibold">People</b>
  <table class="figures mt-1 w-full">
    <thead>
      <tr>
        <th class="words" scope="col">Who</th><th class="words" scope="col">Role</th><th class="words" scope="col"></th>
      </tr>
    </thead>
    <tbody>
      {#each members as one (one.id)}
        <tr>
          <td class="words">{one.name}{one.id === who.said?.id ? ' (you)' : ''}</td>
          <td class="words">
            {#if isOwner}
              <ChoiceField
                name="Role of {one.name}"
                options={ROLES}
                value={one.role}
                onchoose={(chosen) => void put(one.id, { role: chosen })}
              />
            {:else}{ROLES.find((some) => some.value === one.role)?.name}{/if}
          </td>
          <td class="words">
            {#if isOwner}<button class="underline" aria-label="Take {one.name} out" onclick={() => void remove(one.id)}
                >Take out</button
              >{/if}
          </td>
        </tr>
      {/each}
    </tbody>
  </table>
  {#if isOwner}
    <div class="mt-2 flex items-center gap-2">
      <ChoiceField name="Role of whom you invite" options={ROLES} value={role} onchoose={(chosen) => (role = chosen)} />
      <Act onclick={() => void invite()}>Invite somebody</Act>
    </div>
    {#if invited}
      <OneWord words="Whoever opens this address within a week comes in, once." address={invited} />
    {/if}
    <ViewerLinks />
  {/if}
  <Refusal words={refusal} class="mt-2" />
</section>
