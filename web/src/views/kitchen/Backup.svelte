<script lang="ts">
  import { now } from '../../lib/now.svelte';
  import { p } from '../../routes';
  import { ago, KeepingState } from '../keeping/keeping.svelte';

  const page = new KeepingState();
  $effect(() => page.follow());
  const last = $derived(page.view?.backups[0]);
</script>

<section class="mt-4 flex flex-wrap items-center gap-x-5 gap-y-2" aria-label="Safe keeping">
  <button class="act act-small" disabled={page.doing !== ''} onclick={() => void page.backUp()}>Make a backup</button>
  <a class="act act-small" href={p('/kitchen/safe-keeping')}>Safe keeping</a>
  <p role="status">
    {#if page.doing}{page.doing} …
    {:else if page.problem}<strong class="text-raspberry">{page.problem.detail}</strong> {page.problem.remedy}
    {:else if page.view && last}<span class="text-quiet">The last backup was made</span>
      {ago(last.made_at, now.value)}{#if page.done}<strong>: it is there, looked through.</strong>{/if}
    {:else if page.view}<strong>There is no backup yet.</strong>{/if}
  </p>
</section>
