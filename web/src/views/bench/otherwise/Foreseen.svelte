<script lang="ts">
  import { grams } from '../../../lib/figures.svelte';
  import { now } from '../../../lib/now.svelte';
  import { clock, length, when } from '../../../lib/time';
  import type { Otherwise } from './otherwise.svelte';

  /** What would follow, and the button that does it. */
  type Props = { otherwise: Otherwise; words: string; ondone: () => void };
  let { otherwise, words, ondone }: Props = $props();

  const told = $derived(otherwise.follows.value);
  const problem = $derived(otherwise.problem ?? otherwise.follows.problem);
  const before = $derived(otherwise.asked?.kind === 'done_before');
  const shift = $derived(told ? (Date.parse(told.ready_at) - Date.parse(told.ready_before_at)) / 1000 : 0);
  const amounts = (all: { name: string; grams: number }[]) => all.map((a) => `${grams(a.grams)} ${a.name}`).join(', ');
</script>

{#if otherwise.asked}
  <section class="mt-5 border-t-2 border-ink pt-3" aria-label="What follows" aria-live="polite">
    {#if problem}
      <p role="alert" class="font-semibold text-raspberry">{problem.detail} {problem.remedy}</p>
    {:else if otherwise.follows.waiting}
      <p class="flex flex-wrap items-center gap-x-4 text-lg">
        <span>Working out what follows …</span>
        <button class="min-h-14 px-2 underline" onclick={() => otherwise.consider(null)}>Leave it</button>
      </p>
    {:else if told && !before}
      <dl class="space-y-1.5 text-[17px] leading-snug">
        <div>
          <dt class="inline font-semibold">Ready</dt>
          <dd class="inline">
            <strong class={shift > 300 ? 'text-raspberry' : 'text-leaf'}>{when(told.ready_at, now.value)}</strong><span
              class="text-quiet"
              >{told.ready_low_at && told.ready_high_at
                ? ` (${clock(told.ready_low_at)} to ${clock(told.ready_high_at)})`
                : ''}, {Math.abs(shift) < 60
                ? 'as expected now'
                : `${length(shift)} ${shift > 0 ? 'later' : 'sooner'} than expected now`}</span
            >
          </dd>
        </div>
        {#if told.lost.length}<div>
            <dt class="inline font-semibold">Lost</dt>
            <dd class="inline">{amounts(told.lost)}</dd>
          </div>{/if}
        {#if told.needed.length}<div>
            <dt class="inline font-semibold">Newly needed</dt>
            <dd class="inline">
              {amounts(told.needed)}{told.eggs ? ` (${told.eggs.count} eggs ${told.eggs.size.toUpperCase()})` : ''}
            </dd>
          </div>{/if}
        {#if told.to_get.length}<div>
            <dt class="inline font-semibold">Make ready</dt>
            <dd class="inline">{told.to_get.map((i) => `${i.name}: ${i.detail}`).join('; ')}</dd>
          </div>{/if}
        {#if told.added.length}<div>
            <dt class="inline font-semibold">Steps besides</dt>
            <dd class="inline">{told.added.map((s) => `${clock(s.start_at)} ${s.title}`).join('; ')}</dd>
          </div>{/if}
        {#if told.gone.length}<div>
            <dt class="inline font-semibold">Steps that go</dt>
            <dd class="inline">{told.gone.join(', ')}</dd>
          </div>{/if}
        {#each told.waits as w (w.step)}
          {@const over = (Date.parse(w.taken_at) - Date.parse(w.holds_until)) / 1000}
          <div>
            <dt class="inline font-semibold">{w.name}</dt>
            <dd class="inline">
              waits until {clock(w.taken_at)},
              {#if over > 0}<strong class="text-raspberry">{length(over)} longer than it holds</strong>{:else}it holds
                until {clock(w.holds_until)}{/if}
            </dd>
          </div>
        {/each}
        {#each told.warnings as w (w.text)}
          <div class="border-l-[6px] pl-3 {w.level === 'note' ? 'border-copper' : 'border-raspberry'}">
            <strong>{w.text}</strong> <span class="text-quiet">{w.remedy}</span>
          </div>
        {/each}
        {#if told.because}<p class="text-quiet">{told.because}</p>{/if}
      </dl>
    {/if}
    {#if !problem && (before || (told && !otherwise.follows.waiting))}
      <div class="sticky -bottom-8 -mx-6 bg-surface px-6 pt-3 pb-8">
        <button
          class="act act-now min-h-[64px] w-full text-xl"
          data-act="otherwise"
          disabled={otherwise.keeping}
          onclick={async () => (await otherwise.keep()) && ondone()}>{otherwise.keeping ? 'Working …' : words}</button
        >
      </div>
    {/if}
  </section>
{/if}
