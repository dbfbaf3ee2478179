<script lang="ts">
  import type { Schemas } from '../../lib/api/client';
  import Learning from '../../lib/draw/Learning.svelte';
  import { observed } from '../../lib/figures.svelte';
  import Loading from '../../lib/parts/Loading.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import { day } from '../../lib/time';
  import { p } from '../../routes';
  import { LearnedState, type Effect } from './learned.svelte';

  const learned = new LearnedState();
  void learned.load();

  let chosen = $state<string | null>(null);
  const shown = $derived(learned.shown);
  const dot = $derived(shown?.dots.find((d) => d.id === chosen) ?? null);
  const factor = (v: number) => `${v.toFixed(2)} ×`;
  const range = (e: Effect) => `${e.factor.low.toFixed(2)} to ${e.factor.high.toFixed(2)}`;
  const bakes = (n: number) => (n === 1 ? '1 bake' : `${n} bakes`);
  const trust = (share: number) => (share > 0.9 ? 'trusted' : share > 0.5 ? 'half trusted' : 'too strange to count');
  const NAMES: Record<Schemas['Figure'], string> = {
    'time until a skin holds': 'Time until a skin holds',
    'time of piping': 'Time of piping a tray',
    'weight of a piece': 'Weight of a piece',
    'weight of an egg': 'Weight of an egg',
    'carry-over on the rack': 'Carry-over on the rack',
    'time on the whisk': 'Time on the whisk',
    'time of what runs by itself': 'Time of what runs by itself',
    'time in the oven': 'Time in the oven',
    'air kept in a fold': 'Air kept in a fold',
    'density of a foam': 'Density of a foam',
    'density of a batter': 'Density of a batter',
    'height of the finished bake': 'Height of the finished bake',
  };

  async function look(figure: Schemas['Figure'], effect: Effect): Promise<void> {
    chosen = null;
    await learned.look(figure, effect.name);
    document.getElementById('dots')?.scrollIntoView({ block: 'nearest' });
  }
</script>

<div class="px-4 py-4 sm:px-6">
  <p><a class="text-quiet underline" href={p('/kitchen')}>Kitchen</a></p>
  <h1 class="text-3xl">What has been learned</h1>
  <p class="mt-1 max-w-prose text-[17px] text-quiet">
    Each figure is the model’s, times what this kitchen’s own bakes make of it: its mixer, the hands, the kind of work,
    the formula. 1.00 means as the model has it.
  </p>
  {#if learned.problem}<Notice problem={learned.problem} onclose={() => (learned.problem = null)} />{/if}
  {#if !learned.figures && !learned.problem}<Loading what="what has been learned" />{/if}
  {#if learned.figures?.length === 0}
    <p class="mt-6 text-lg">Nothing yet. The first finished bake shows here.</p>
  {/if}
  {#if learned.figures && shown}
    <div class="mt-4 grid grid-cols-[minmax(0,1fr)] gap-x-12 gap-y-8 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.15fr)]">
      <div class="order-2 space-y-6 lg:order-1">
        {#each learned.figures as figure (figure.figure)}
          <section aria-label={NAMES[figure.figure]}>
            <h2 class="text-xl">{NAMES[figure.figure]}</h2>
            <ul>
              {#each figure.effects as effect (effect.name)}
                {@const now = shown.figure === figure.figure && shown.effect.name === effect.name}
                <li class="border-t border-line">
                  <button
                    class="grid min-h-12 w-full grid-cols-[minmax(0,1fr)_auto] items-center gap-x-4 px-2 py-1 text-left {now
                      ? 'bg-ink text-ground'
                      : ''}"
                    aria-pressed={now}
                    onclick={() => look(figure.figure, effect)}
                  >
                    <span class="min-w-0">
                      <span class={now ? '' : 'text-quiet'}>{effect.level}</span>
                      <strong class="ml-1">{effect.words}</strong>
                    </span>
                    <span class="text-right">
                      <strong class="font-display text-xl">{effect.dots ? factor(effect.factor.likely) : '?'}</strong>
                      <span class="block text-[14px] {now ? '' : 'text-quiet'}"
                        >{range(effect)}, {bakes(effect.dots)}</span
                      >
                    </span>
                  </button>
                </li>
              {/each}
            </ul>
          </section>
        {/each}
      </div>

      <section id="dots" aria-label="Dots" class="order-1 lg:sticky lg:top-4 lg:order-2 lg:self-start">
        <p class="text-quiet">{NAMES[shown.figure]}, {shown.effect.level}</p>
        <h2 class="text-2xl">{shown.effect.words}</h2>
        <p class="font-display text-[42px] leading-tight font-bold">
          {shown.effect.dots ? factor(shown.effect.factor.likely) : '?'}
        </p>
        <p class="text-quiet">{range(shown.effect)}, {shown.effect.factor.basis}, {bakes(shown.effect.dots)}</p>
        <Learning
          steps={shown.dots.map((d) => ({
            id: d.id,
            value: d.ratio,
            low: d.after?.low ?? null,
            likely: d.after?.likely ?? null,
            high: d.after?.high ?? null,
            trusted: d.trusted,
            leftOut: d.left_out,
            above: d.above,
            words: `${d.title}, ${day(d.at)}: ${d.above ? 'more than ' : ''}${observed(d.observed, shown.unit)}, the model says ${observed(d.modelled, shown.unit)}`,
          }))}
          none={1}
          log
          say={(v) => v.toFixed(2)}
          {chosen}
          onchoose={(id) => (chosen = id === chosen ? null : id)}
          label="Every bake, and what was believed of it after each"
          height={240}
        />
        {#if dot}
          <p class="text-[17px]">
            <strong>{dot.title}</strong>, {day(dot.at)}: {dot.above ? 'more than ' : ''}<strong
              >{observed(dot.observed, shown.unit)}</strong
            >, the model says {observed(dot.modelled, shown.unit)}; {dot.left_out ? 'left out' : trust(dot.trusted)}.
          </p>
          <p>
            <button class="min-h-11 pr-4 font-semibold underline" onclick={() => learned.count(dot.id, !dot.left_out)}
              >{dot.left_out ? 'Include it' : 'Exclude it'}</button
            >
            {#if dot.bake}<a
                class="inline-flex min-h-11 items-center underline"
                href={p('/log/:bake', { params: { bake: dot.bake } })}>its record</a
              >{/if}
          </p>
        {:else}
          <p class="text-[15px] text-quiet">
            Each dot is a bake, over the model’s figure; the band is what was believed of this alone after it. Touch one
            to see it, or to exclude it.
          </p>
        {/if}
      </section>
    </div>
  {/if}
</div>
