<script lang="ts">
  import type { Asking } from '../asking.svelte';

  /** Says that something takes its time, and lets one leave it: what was shown before stays. */
  type Props = { asking: Asking<unknown>; what: string };
  let { asking, what }: Props = $props();
</script>

{#if asking.slow}
  <p role="status" class="flex flex-wrap items-center gap-x-3 text-[17px] text-quiet">
    <span>Working out {what} …</span>
    <button class="min-h-14 px-2 underline" onclick={() => asking.rest()}>Leave it</button>
  </p>
{/if}
