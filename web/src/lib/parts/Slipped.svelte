<script lang="ts">
  import { untrack } from 'svelte';
  import { api, ask, newKey, problemOf, type Problem, type Schemas } from '../api/client';
  import { live } from '../live.svelte';
  import { clock, length } from '../time';
  import { works } from '../works';
  import Notice from './Notice.svelte';

  /**
   * The day has slipped: what is pushed right, and what a better plan would move; the baker takes it or leaves it.
   * Nothing is shown while the day goes as it was planned.
   */
  type Props = {
    /** One line, for where something else is at work; all of it on asking. */
    brief?: boolean;
  };
  let { brief = false }: Props = $props();
  let shown = $state(false);
  const LOOK_MS = 30_000;
  const CALM_MS = 2500;
  /** A step that moves by less is no slip of the day. */
  const SLIP_S = 300;
  const SHOWN = 4;
  let told = $state.raw<Schemas['Replanned'] | null>(null);
  let left = $state('');
  let busy = $state(false);
  let problem = $state<Problem | null>(null);
  let key = newKey();

  async function look(): Promise<void> {
    if (busy) return;
    // Pushed is soon known; a better plan is looked for only where it slips.
    const pushed = await ask(api.POST('/api/days/replan', { body: { seconds: 0, pinned: [] } })).catch(() => told);
    if (pushed && slips(pushed)) {
      told = pushed;
      told = await ask(api.POST('/api/days/replan', { body: { seconds: 0.3, pinned: [] } })).catch(() => told);
    } else told = pushed;
  }

  /** Several bakes are planned together, and something of them is late or lies quite elsewhere. */
  function slips(one: Schemas['Replanned']): boolean {
    const far = one.pushed_moves.some((m) => Math.abs(Date.parse(m.now_at) - Date.parse(m.was_at)) >= SLIP_S * 1000);
    return one.slipped && far && one.pushed.bakes.length > 1;
  }

  $effect(() => {
    void untrack(look);
    let calm: ReturnType<typeof setTimeout> | undefined;
    const stop = live.listen((change) => {
      clearTimeout(calm);
      if (change) calm = setTimeout(() => void look(), CALM_MS);
    });
    const timer = setInterval(() => void look(), LOOK_MS);
    return () => {
      stop();
      clearInterval(timer);
      clearTimeout(calm);
    };
  });

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
      told = null;
    } catch (error) {
      problem = problemOf(error);
    }
    busy = false;
    await look();
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
        {#if brief}<button class="min-h-12 px-1 underline" aria-expanded={shown} onclick={() => (shown = !shown)}
            >{shown ? 'less' : 'what moves'}</button
          >{/if}
      </p>
      <div class="flex gap-2">
        <button class="act act-small min-h-14" disabled={busy} onclick={take}>Move them</button>
        <button class="act act-small min-h-14 border-line" disabled={busy} onclick={() => (left = proposed)}
          >Leave it</button
        >
      </div>
    </div>
    {#if !brief || shown}{@render what()}{/if}
  </section>
{/if}
