<script lang="ts">
  import { celsius } from '../../lib/figures.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import Sheet from '../../lib/parts/Sheet.svelte';
  import type { StandInState } from './standIns.svelte';

  type Props = { standIns: StandInState; open: boolean; onclose: () => void };
  let { standIns, open, onclose }: Props = $props();

  const SPEEDS = [1, 5, 20, 60];
  const FLAMES = [
    [0, 'off'],
    [0.4, 'low'],
    [0.7, 'medium'],
    [1, 'as lit'],
    [1.2, 'high'],
  ] as const;
  const MISHAPS = ['probe on the bottom', 'probe silent', 'a spoon of water'] as const;
  const oven = $derived(standIns.view?.things.find((t) => t.place === 'oven'));
  const pot = $derived(standIns.view?.things.find((t) => t.place === 'pot'));

  $effect(() => {
    if (open) void standIns.load();
  });
</script>

<Sheet bind:open={() => open, (v) => !v && onclose()} title="Stand-ins">
  <p class="text-quiet">
    Simulated thermometers read whatever runs at this bench, and post it like real ones. They never go back in time: a
    clock that ran fast keeps its lead.
  </p>
  {#if standIns.problem}<Notice problem={standIns.problem} />{/if}
  <fieldset class="mt-4">
    <legend class="font-semibold">Clock of this bench</legend>
    <div class="mt-1 flex flex-wrap gap-2">
      {#each SPEEDS as speed (speed)}
        <button
          class="act act-small min-h-14 {standIns.view?.speed === speed ? 'bg-ink text-surface' : ''}"
          aria-pressed={standIns.view?.speed === speed}
          onclick={() => standIns.change({ speed })}>{speed === 1 ? 'as the wall' : `${speed} times`}</button
        >
      {/each}
    </div>
  </fieldset>
  <fieldset class="mt-4" disabled={!pot}>
    <legend class="font-semibold">Flame under the pot</legend>
    <div class="mt-1 flex flex-wrap gap-2">
      {#each FLAMES as [flame, words] (words)}
        <button
          class="act act-small min-h-14 {pot && Math.abs((pot.flame ?? -1) - flame) < 0.01
            ? 'bg-ink text-surface'
            : ''}"
          onclick={() => standIns.change({ flame })}>{words}</button
        >
      {/each}
    </div>
  </fieldset>
  <fieldset class="mt-4" disabled={!pot}>
    <legend class="font-semibold">Make it happen</legend>
    <div class="mt-1 flex flex-wrap gap-2">
      {#each MISHAPS as mishap (mishap)}
        <button class="act act-small min-h-14" onclick={() => standIns.change({ mishap })}>{mishap}</button>
      {/each}
    </div>
  </fieldset>
  {#if !pot}<p class="mt-2 text-quiet">Flame and mishaps need a pot that boils.</p>{/if}
  <fieldset class="mt-4" disabled={!oven}>
    <legend class="font-semibold">Oven door{oven ? `, the oven is really at ${celsius(oven.true_c)}` : ''}</legend>
    <div class="mt-1 flex flex-wrap gap-2">
      {#each [10, 30, 60] as seconds (seconds)}
        <button class="act act-small min-h-14" onclick={() => standIns.change({ door_s: seconds })}
          >open for {seconds} s</button
        >
      {/each}
    </div>
  </fieldset>
  {#if !oven}<p class="mt-2 text-quiet">The door needs an oven that is on.</p>{/if}
  {#if standIns.view?.room}
    <p class="mt-4">
      <strong>The room</strong> is really at {Math.round(standIns.view.room.percent)} % damp.
      {#each standIns.view.room.shells as shell (shell.bake + shell.step)}
        A finger on “{shell.step}” would say <strong>{shell.feel}</strong>.
      {/each}
    </p>
  {/if}
  <button class="act act-small mt-4" onclick={() => standIns.change({ on: !standIns.view?.on })}
    >{standIns.view?.on ? 'Switch the stand-ins off' : 'Switch the stand-ins on'}</button
  >
</Sheet>
