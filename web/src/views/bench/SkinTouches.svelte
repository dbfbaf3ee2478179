<script lang="ts">
  import type { Schemas } from '../../lib/api/client';
  import { now } from '../../lib/now.svelte';
  import { clock, length, until } from '../../lib/time';
  import type { BenchState } from './bench.svelte';

  /** What a finger says of a tray's skin, one tap each; and when it should hold, by the air and by what was said. */
  type Props = { bench: BenchState; step: string; skin: Schemas['SkinNow']; due: boolean };
  let { bench, step, skin, due }: Props = $props();

  const FEELS: { feel: Schemas['Feel']; word: string; says: string; key: string }[] = [
    { feel: 'wet', word: 'Wet', says: 'it sticks', key: '1' },
    { feel: 'tacky', word: 'Tacky', says: 'it marks but lifts', key: '2' },
    { feel: 'dry', word: 'Dry', says: 'it moves as a skin', key: '3' },
    { feel: 'too long', word: 'Too long', says: 'hard and dull', key: '4' },
  ];
  const over = $derived(skin.too_long_at !== null && until(skin.too_long_at, now.value) < 0);
</script>

<div class="text-[17px] leading-snug">
  {#if skin.why}
    <p class="border-l-[6px] border-raspberry pl-4"><strong>{skin.why}</strong></p>
  {:else if skin.low_at && skin.high_at}
    <p>
      Between <strong>{clock(skin.low_at)}</strong> and <strong>{clock(skin.high_at)}</strong> by
      {skin.basis === 'measured'
        ? 'what your finger said'
        : skin.basis === 'this kitchen'
          ? 'this kitchen'
          : 'the air'}:
      {Math.round(skin.air_c)} °C, {Math.round(skin.humidity_percent)} % damp{skin.measured
        ? ', as read'
        : ', this kitchen’s usual'}. The touch decides.
      {#if skin.too_long_at}<span class={over ? 'font-semibold text-raspberry' : 'text-quiet'}
          >Too long {over ? 'since' : 'from'} {clock(skin.too_long_at)}.</span
        >{/if}
    </p>
  {/if}
  {#if skin.touches.length > 0}
    <p class="text-quiet">
      Touched: {#each skin.touches as touch, i (i)}{i ? ', ' : ''}{clock(touch.at)}
        <strong class="text-ink">{touch.feel}</strong>{/each}.
    </p>
  {/if}
  {#each skin.advice as help (help.do)}
    <p class="mt-1 border-l-[6px] border-copper pl-4">
      <strong>{help.do}</strong> <span class="text-quiet">{help.costs}</span>
      {#if help.dry_s}About {length(help.dry_s.likely)} from piping.{/if}
    </p>
  {/each}
</div>
<div
  class="fades-above sticky bottom-14 z-10 grid grid-cols-2 gap-2 bg-ground py-1.5 sm:bottom-(--foot) sm:grid-cols-4"
>
  {#each FEELS as { feel, word, says, key } (feel)}
    <button
      class="act min-h-[68px] flex-col items-start gap-0 px-3 leading-tight {feel === 'dry' && due
        ? 'act-now'
        : 'bg-ground'}"
      data-feel={feel}
      onclick={() => bench.touched(step, feel)}
    >
      <span class="text-xl font-semibold">{word} <span class="key">{key}</span></span>
      <span class="text-[15px] font-normal">{says}</span>
    </button>
  {/each}
</div>
