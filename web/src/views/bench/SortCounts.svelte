<script lang="ts">
  import type { Schemas } from '../../lib/api/client';
  import type { BenchState } from './bench.svelte';

  /** What became of the pieces, tray by tray, in a few taps: what is not counted as spoilt is good. */
  type Props = { bench: BenchState; step: string; counts: Schemas['TrayCount'][] };
  let { bench, step, counts }: Props = $props();

  type Spoilt = 'broken' | 'cracked' | 'hollow';
  const SPOILT: Spoilt[] = ['broken', 'cracked', 'hollow'];
  type Counted = Schemas['Counted'];
  /** What was tapped and is not back from the server yet: the next tap goes on from it. */
  let tapped = $state<Record<number, Counted>>({});
  let waiting = 0;
  const whole = (tray: Schemas['TrayCount']): Counted =>
    tapped[tray.tray] ?? tray.counted ?? { good: tray.piped, broken: 0, cracked: 0, hollow: 0 };

  function count(tray: Schemas['TrayCount'], what: Spoilt, by: number): void {
    const now = whole(tray);
    const spoilt = Math.max(0, now[what] + by);
    const good = Math.max(0, now.good - (spoilt - now[what]));
    const counted = { ...now, [what]: spoilt, good };
    tapped[tray.tray] = counted;
    waiting += 1;
    void bench.ask({ kind: 'pieces_counted', step, tray: tray.tray, counted }).then((problem) => {
      waiting -= 1;
      if (waiting === 0 || problem) tapped = {};
      if (problem) bench.refused(problem);
    });
  }
</script>

<div class="grid gap-y-2">
  {#each counts as tray (tray.tray)}
    {@const own = whole(tray)}
    <fieldset class="flex min-w-0 flex-wrap items-center gap-x-5 gap-y-1">
      <legend class="contents"></legend>
      <p class="min-w-44 text-[17px]">
        {tray.tray ? `Tray ${tray.tray}` : 'All of them'}:
        <strong class="text-2xl">{own.good}</strong> good of {own.good + own.broken + own.cracked + own.hollow}
      </p>
      <div class="mt-1 flex flex-wrap gap-2">
        {#each SPOILT as what (what)}
          <span class="flex">
            <button
              class="act min-h-14 rounded-r-none px-4"
              aria-label="One more {what}{tray.tray ? ` on tray ${tray.tray}` : ''}"
              onclick={() => count(tray, what, 1)}>{what} <strong class="ml-1 text-xl">{own[what]}</strong></button
            >
            <button
              class="act min-h-14 rounded-l-none border-l-0 px-4"
              aria-label="One less {what}{tray.tray ? ` on tray ${tray.tray}` : ''}"
              disabled={own[what] === 0}
              onclick={() => count(tray, what, -1)}>−</button
            >
          </span>
        {/each}
      </div>
    </fieldset>
  {/each}
</div>
