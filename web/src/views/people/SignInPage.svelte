<script lang="ts">
  import Mark from '../../lib/shell/Mark.svelte';
  import SignIn from './SignIn.svelte';
</script>

<svelte:head><title>Sign in · Ebbtide</title></svelte:head>
<header class="flex h-[46px] items-center bg-abyss px-[18px]"><Mark /></header>
<main class="mx-auto max-w-[460px] px-4 pt-8"><SignIn /></main>
