<script lang="ts">
  import { live } from '../live.svelte';
  import { notices } from '../notices.svelte';
  import { outbox } from '../outbox.svelte';

  $effect(() => notices.follow());
  $effect(() => notices.connected(live.connected));

  const waiting = $derived(
    outbox.waiting === 0
      ? 'What you enter at the bench is kept on this device.'
      : `${outbox.waiting} kept on this device, sent as soon as it is back.`,
  );
</script>

{#snippet line(text: string, remedy: string, grave: boolean)}
  <p
    role={grave ? 'alert' : 'status'}
    class="px-4 py-2 sm:px-6 {grave ? 'bg-raspberry text-surface' : 'border-l-4 border-copper bg-surface'}"
  >
    <strong>{text}</strong>
    {remedy}
  </p>
{/snippet}

<div class="no-print">
  {#if notices.away || outbox.stuck}
    <p role="status" class="bg-copper px-4 py-2 font-semibold text-surface sm:px-6">
      The server does not answer. {waiting}
    </p>
  {/if}
  {#each notices.list as notice (notice.kind + notice.text)}
    {@render line(notice.text, notice.remedy, notice.grave)}
  {/each}
  {#if outbox.frail}
    {@render line(
      'This browser keeps nothing on this device.',
      'Leave the page open until the server has what you entered; a window that is not private keeps it.',
      false,
    )}
  {/if}
  {#each outbox.left as one (one.n)}
    <div role="alert" class="flex items-start gap-4 border-l-4 border-raspberry bg-surface px-4 py-2 sm:px-6">
      <p class="min-w-0 grow">
        <strong>{one.damaged ? one.why : `Not taken: ${one.text}. ${one.why}`}</strong>
        {one.remedy}
        {#if one.damaged}<code class="block break-all text-quiet">{one.text}</code>{/if}
      </p>
      <button class="min-h-11 px-2 font-semibold underline" onclick={() => void outbox.dismiss(one.n)}>Let go</button>
    </div>
  {/each}
</div>
