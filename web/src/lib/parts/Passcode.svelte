<script lang="ts">
  import { api, problemOf, Refused, type Problem } from '../api/client';
  import Sheet from './Sheet.svelte';

  let open = $state(false);
  let passcode = $state('');
  let trouble = $state('');

  $effect(() => {
    const show = () => (open = true);
    window.addEventListener('passcodeneeded', show);
    return () => window.removeEventListener('passcodeneeded', show);
  });

  async function enter(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    try {
      const answer = await api.POST('/api/session', { body: { passcode } });
      if (answer.error) throw new Refused(answer.error as Problem, true);
      location.reload();
    } catch (error) {
      trouble = problemOf(error).detail;
    }
  }
</script>

<Sheet
  bind:open
  title="Passcode"
  description="This device has not been let in yet. Whoever started the server knows the passcode."
>
  <form onsubmit={enter} class="flex gap-3">
    <input class="field" type="password" aria-label="Passcode" autocomplete="current-password" bind:value={passcode} />
    <button class="act act-now">Enter</button>
  </form>
  {#if trouble}<p class="mt-3 font-semibold text-raspberry" role="alert">{trouble}</p>{/if}
</Sheet>
