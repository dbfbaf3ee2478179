<script lang="ts">
  import { api, ask, newKey, problemOf, type Problem } from '../api/client';
  import { slipping, slips } from '../slipping.svelte';
  import { clock, length } from '../time';
  import { works } from '../works';
  import Notice from './Notice.svelte';

  /**
   * The day has slipped: what is pushed right, and what a better plan would move; the baker takes it or leaves it.
   * One line, all of it on asking; nothing while the day goes as it was planned.
   */
  let shown = $state(false);
  const SHOWN = 4;
  let left = $state('');
  let busy = $state(false);
  let problem = $state<Problem | null>(null);
  let key = newKey();

  $effect(() => slipping.watch());

  const told = $derived(slipping.told);
  const plan = $derived(told?.better ?? told?.pushed ?? null);
  const moves = $derived((told?.better ? told.better_moves : told?.pushed_moves) ?? []);
  const late = $derived(plan?.bakes.filter((b) => b.late_by_s > 60) ?? []);
  /** What is proposed, in short: as long as that stays the same, whoever has left it is not asked again. */
  const proposed = $derived(moves.map((m) => `${m.bake}${m.step}${m.says}`).join('|'));
  const open = $derived(told !== null && slips(told) && moves.length > 0 && left !== proposed);

  async function take(): Promise<void> {
    if (!plan) return;
    busy = true;
    try {
      await ask(api.POST('/api/days/take', { body: { works: works(plan), begin: [], client_key: key } }));
      key = newKey();
      problem = null;
    } catch (error) {
      problem = problemOf(error);
    }
    await slipping.anew();
    busy = false;
  }
</script>

{#if problem}<Notice {problem} onclose={() => (problem = null)} />{/if}
{#snippet what()}
  <ul class="text-[16px]">
    {#each moves.slice(0, SHOWN) as m (m.bake + m.step)}
      <li><strong>{m.says}</strong> {m.step_title} <span class="text-quiet">({m.title})</span></li>
    {/each}
    {#if moves.length > SHOWN}<li class="text-quiet">and {moves.length - SHOWN} more</li>{/if}
  </ul>
  {#each late as b (b.id)}
    <p class="border-l-[6px] border-raspberry pl-3">
      {b.because}
      <span class="text-quiet"
        >Ready {clock(b.ready_at)} instead of {clock(b.due_at)}: promise it {length(b.late_by_s)} later, or plan the day again
        without something.</span
      >
    </p>
  {/each}
{/snippet}

{#if open && plan}
  <section class="border-b border-line bg-surface px-4 py-1.5 sm:px-6" aria-label="The day has slipped">
    <div class="flex flex-wrap items-center justify-between gap-x-8 gap-y-1">
      <p class="min-w-0 flex-1 basis-80 text-[17px]">
        <strong>The day has slipped: {moves.length} {moves.length === 1 ? 'step moves' : 'steps move'}.</strong>
        {#if late.length > 0}<span class="text-raspberry"
            >{late.map((b) => `${b.title} ${length(b.late_by_s)} late`).join(', ')}.</span
          >{/if}
        <button class="min-h-12 px-1 underline" aria-expanded={shown} onclick={() => (shown = !shown)}
          >{shown ? 'less' : 'what moves'}</button
        >
      </p>
      <div class="flex gap-2">
        <button class="act act-small min-h-14" disabled={busy} onclick={take}>Move them</button>
        <button class="act act-small min-h-14 border-line" disabled={busy} onclick={() => (left = proposed)}
          >Leave it</button
        >
      </div>
    </div>
    {#if shown}{@render what()}{/if}
  </section>
{/if}
