<script lang="ts">
  import type { Schemas } from '../api/client';
  import { celsius, origin } from '../figures.svelte';
  import { length } from '../time';

  /** Whether a cream, ganache or mousse is right for what takes it: its window, and what brings it back. */
  type Props = { ready: Schemas['Ready'] };
  let { ready }: Props = $props();
  const fits = $derived(ready.state === 'right');
</script>

<p class="border-l-[6px] pl-4 text-[17px] leading-snug {fits ? 'border-leaf' : 'border-copper'}">
  <strong
    >To {ready.use}{ready.window_c
      ? `: ${celsius(ready.window_c.low)} to ${celsius(ready.window_c.high)}`
      : ''}.</strong
  >
  {#if !fits}{ready.says} {ready.do}{/if}
  {#if ready.minutes}About {length(60 * ready.minutes.likely)} as it stands.{/if}
  <span class="text-quiet">{fits ? '' : ready.rescue} ({ready.window_c ? origin(ready.window_c) : ready.source})</span>
</p>
