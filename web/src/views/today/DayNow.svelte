<script lang="ts">
  import { api, ask, type Schemas } from '../../lib/api/client';
  import DayBraids from '../../lib/draw/DayBraids.svelte';
  import { now } from '../../lib/now.svelte';
  import { regularly } from '../../lib/regularly';
  import { slipping } from '../../lib/slipping.svelte';
  import { clock, soon } from '../../lib/time';
  import { navigate, p } from '../../routes';

  /** Several bakes at once: what now, for whom, across all of them; and the day as it goes. */
  const AGAIN_MS = 20_000;
  let hands = $state.raw<Schemas['HandsView'] | null>(null);
  const day = $derived(slipping.told?.pushed ?? null);

  $effect(() => slipping.watch());
  $effect(() =>
    regularly(async () => {
      hands = await ask(api.GET('/api/bakes/hands')).catch(() => hands);
    }, AGAIN_MS),
  );

  const at = (bake: string) => navigate('/bench/:bake', { params: { bake } });
</script>

<section class="border-b border-line bg-surface px-4 pt-4 pb-2 sm:px-6" aria-label="What now, over all bakes">
  {#each hands?.next ?? [] as one, i (one.bake)}
    <div class="flex items-center justify-between gap-x-6 gap-y-1 {i === 0 ? '' : 'border-t border-line'} py-2">
      <div class="min-w-0">
        <p class="text-quiet">
          {one.title}{one.hands_name ? `, ${one.hands_name}` : ''}{one.presses ? ', can’t wait' : ''}
        </p>
        {#if i === 0}<h1 class="text-[2.1rem]">{one.step_title}</h1>{:else}<p class="text-xl font-semibold">
            {one.step_title}
          </p>{/if}
      </div>
      <div class="flex shrink-0 items-center gap-4">
        <span class="{i === 0 ? 'text-[2rem] font-bold' : 'text-xl'} whitespace-nowrap"
          >{soon(one.start_at, now.value)}</span
        >
        <button class="act {i === 0 ? 'act-now' : 'act-small min-h-14'}" onclick={() => at(one.bake)}
          >{i === 0 ? 'To the bench' : 'Bench'}</button
        >
      </div>
    </div>
  {/each}
  {#each hands?.clashes.slice(0, 2) ?? [] as clash (clash.first.bake + clash.first.step + clash.other.bake + clash.other.step)}
    <p role="status" class="border-l-[6px] border-copper py-0.5 pl-3 text-[16px]">
      <strong>{clock(clash.other.start_at)}:</strong>
      {clash.says}
    </p>
  {/each}
  {#if day && day.bakes.length > 0}
    <DayBraids
      plan={day}
      now={now.value}
      label="Braids of today"
      onpick={(bake) => {
        const own = day?.bakes.find((b) => b.id === bake);
        if (own?.bake) void at(own.bake);
        else void navigate('/plan');
      }}
    />
    <p class="text-[16px]">
      {day.because}
      <a class="inline-flex min-h-11 items-center underline" href={p('/plan')}>The day’s plan</a>
    </p>
  {/if}
</section>
