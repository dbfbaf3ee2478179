<script lang="ts">
  import type { Schemas } from '../../lib/api/client';
  import { celsius, origin } from '../../lib/figures.svelte';
  import { now } from '../../lib/now.svelte';
  import { countdown, length } from '../../lib/time';
  import type { BenchState } from './bench.svelte';

  /** Syrup and whites on one clock: the cue, or what to do about the one that lags. */
  type Props = { bench: BenchState; meets: Schemas['MeetingView'] };
  let { bench, meets }: Props = $props();

  const meeting = $derived(meets.meeting);
  const since = $derived(Math.max(0, (now.value - Date.parse(bench.bake!.now)) / 1000));
  const start = $derived(meeting.start_in_s == null ? null : Math.max(0, meeting.start_in_s - since));
  const due = $derived(meeting.start_now || start === 0);
  const whites = $derived(bench.bake!.details[meets.whisk]?.forecast.title ?? 'the whites');
</script>

<div
  class="border-l-[6px] bg-surface py-2.5 pr-3 pl-4 {due ? 'border-yolk' : 'border-copper'}"
  role="status"
  aria-label="Syrup and whites"
>
  {#if meeting.whisk === 'waiting'}
    <div class="flex flex-wrap items-center justify-between gap-x-4 gap-y-2 sm:flex-nowrap">
      <p class="min-w-0 text-2xl font-semibold">
        {#if due}Start the whites now{:else if start !== null && meeting.start_at_c != null}Start the whites at {celsius(
            meeting.start_at_c,
          )}, in about {countdown(start)}{:else}{meeting.says}{/if}
        <span class="block text-[16px] font-normal text-quiet"
          >{whites}: about {length(meeting.whites_s.likely)} ({length(meeting.whites_s.low)} to {length(
            meeting.whites_s.high,
          )}; {origin(meeting.whites_s)})</span
        >
      </p>
      <button class="act {due ? 'act-now' : ''} min-h-14 shrink-0" data-act="whites" onclick={() => bench.startWhites()}
        >Start the whites <span class="key">W</span></button
      >
    </div>
    {#if due && meeting.gap_s != null && meeting.gap_s < -30}<p class="text-lg">{meeting.says}</p>{/if}
  {:else}
    <p class="text-xl font-semibold">{meeting.says}</p>
  {/if}
  {#if meeting.levers.length > 0}
    <ul class="mt-1 space-y-1">
      {#each meeting.levers as lever (lever.id)}
        <li class="text-[17px] leading-snug">
          <strong>{lever.do}</strong>{lever.gains_s == null
            ? ''
            : ` Gains about ${length(lever.gains_s.likely)} (${length(lever.gains_s.low)} to ${length(lever.gains_s.high)}).`}
          <span class="text-quiet">{lever.limit}</span>
          {#if lever.again}<button
              class="-my-2 min-h-14 px-2 font-semibold underline"
              onclick={() => bench.again(lever.again === 'syrup' ? meets.boil : meets.whisk)}>Begin again</button
            >{:else if lever.water_g > 0}<button
              class="-my-2 min-h-14 px-2 font-semibold underline"
              onclick={() => bench.remedied(meets.boil, lever.do, 'water', lever.water_g)}>It is in</button
            >{/if}
        </li>
      {/each}
    </ul>
  {/if}
</div>
