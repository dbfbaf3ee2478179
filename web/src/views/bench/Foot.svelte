<script lang="ts">
  import { now } from '../../lib/now.svelte';
  import { clock, countdown, until } from '../../lib/time';
  import type { BenchState } from './bench.svelte';

  /** ``tall`` tells how high it has become: what sticks above it must not lie below it. */
  type Props = { bench: BenchState; tall?: number };
  let { bench, tall = $bindable(0) }: Props = $props();

  const bake = $derived(bench.bake!);
  const next = $derived(bake.steps.find((s) => s.id === bake.next));
  const others = $derived(bake.running.filter((id) => id !== bench.shown));
  const missing = $derived(
    bake.gate && bake.gate.step !== bench.shown ? bake.gate.items.filter((i) => !i.there && i.kind === 'thing') : [],
  );
</script>

<footer
  bind:clientHeight={tall}
  class="no-print flex flex-wrap items-stretch gap-x-8 gap-y-1 bg-bench px-4 py-1.5 text-on-bench sm:sticky sm:bottom-0 sm:z-20 sm:px-6"
  aria-label="Beside and next"
>
  {#each bake.windows as w (w.step)}
    {@const left = until(w.until, now.value)}
    <div class="flex items-center gap-x-2">
      <button class="min-h-14 text-left leading-tight" onclick={() => bench.look(w.closes)}>
        <strong class={left < 60 ? 'text-[#ff8fab]' : ''}
          >{w.name} {left > 0 ? `holds ${countdown(left)}` : `${countdown(left)} too long`}</strong
        ><br />
        <span class="text-[15px] opacity-85"
          >{#if w.lost && w.lost.likely > 0.04 && w.ageing}About {Math.round(100 * w.lost.likely)} % of its air is gone ({Math.round(
              100 * w.lost.low,
            )} to {Math.round(100 * w.lost.high)}, {w.lost.basis}). {left < 0
              ? w.ageing.restores
              : w.ageing.sign}{:else}{w.why}{/if}</span
        >
      </button>
      {#if left < 0 && w.ageing?.can}<button
          class="min-h-14 px-2 underline"
          onclick={() => bench.remedied(w.step, w.ageing!.restores)}>did that</button
        >{/if}
    </div>
  {/each}
  {#each others as id (id)}
    {@const detail = bake.details[id]}
    {#if detail?.outlook}
      {@const left = until(detail.outlook.likely_at, now.value)}
      <button class="min-h-14 text-left leading-tight" onclick={() => bench.look(id)}>
        <strong>{detail.forecast.title} {countdown(left)}</strong><br />
        <span class="text-[15px] opacity-85"
          >{left > 0 ? `likely at ${clock(detail.outlook.likely_at)}` : 'due: look'}</span
        >
      </button>
    {/if}
  {/each}
  {#each bake.timers as timer (timer.id)}
    {@const left = until(timer.due_at, now.value)}
    <div class="flex min-h-14 items-center gap-2 leading-tight">
      <span
        ><strong>{timer.label} {left > 0 ? countdown(left) : 'now'}</strong><br /><span class="text-[15px] opacity-85"
          >timer, {clock(timer.due_at)}</span
        ></span
      >
      <button class="min-h-14 px-2 underline" onclick={() => bench.tell({ kind: 'timer_stopped', timer: timer.id })}
        >stop</button
      >
    </div>
  {/each}
  {#if missing.length > 0}
    <button class="min-h-14 text-left leading-tight" onclick={() => bench.look(bake.gate!.step)}>
      <strong>{missing.length} to make ready</strong><br />
      <span class="text-[15px] opacity-85"
        >{missing
          .slice(0, 3)
          .map((i) => i.name)
          .join(', ')}{missing.length > 3 ? ' …' : ''}</span
      >
    </button>
  {/if}
  {#if next}
    <button
      class="ml-auto flex min-h-14 items-center gap-3 text-left leading-tight"
      onclick={() => bench.look(next.id)}
    >
      <svg width="18" height="18" aria-hidden="true"
        ><circle cx="9" cy="9" r="7" fill="none" stroke="var(--yolk)" stroke-width="2.5" /></svg
      >
      <span
        ><strong>next: {next.title}</strong><br /><span class="text-[15px] opacity-85"
          >about {clock(next.expected_start_at)}</span
        ></span
      >
    </button>
  {/if}
</footer>
