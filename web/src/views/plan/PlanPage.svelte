<script lang="ts">
  import { api, ask, type Schemas } from '../../lib/api/client';
  import DayBraids from '../../lib/draw/DayBraids.svelte';
  import { live } from '../../lib/live.svelte';
  import { now } from '../../lib/now.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import { clock, day as dayName, length, when } from '../../lib/time';
  import { navigate, p } from '../../routes';
  import Around from './Around.svelte';
  import Beforehand from './Beforehand.svelte';
  import OrderEntry from './OrderEntry.svelte';
  import People from './People.svelte';
  import { dateOf, DayPlanning, isDue, local, type Order } from './plan.svelte';

  const planning = new DayPlanning();
  let titles = $state(new Map<string, string>());
  let picked = $state<{ bake: string; step: string } | null>(null);
  let gone = $state<Order | null>(null);
  let starting = $state(false);

  const plan = $derived(planning.plan);
  const chosen = $derived(plan?.bakes.find((b) => b.id === picked?.bake));
  const step = $derived(chosen?.steps.find((s) => s.step === picked?.step));
  const isPinned = $derived(planning.pins.some((one) => one.bake === picked?.bake));
  const running = $derived(plan?.bakes.filter((b) => b.bake) ?? []);
  const people = $derived(new Map(plan?.people.map((h) => [h.id, h.name]) ?? []));

  $effect(() => {
    void begin();
    const stop = live.listen((change) => change && void planning.load());
    return () => {
      stop();
      planning.stop();
    };
  });

  async function begin(): Promise<void> {
    const [formulas] = await Promise.all([ask(api.GET('/api/formulas')).catch(() => []), planning.load()]);
    titles = new Map(formulas.map((f: Schemas['FormulaEntry']) => [f.id, f.title]));
    planning.chooseDay();
    await planning.look();
  }

  function choose(day: string): void {
    planning.day = day;
    planning.pins = [];
    picked = null;
    void planning.look();
  }

  async function move(bake: string, seconds: number): Promise<void> {
    const own = plan?.bakes.find((b) => b.id === bake);
    const first = own?.steps.find((s) => !s.begun && s.hands) ?? own?.steps.find((s) => !s.begun);
    if (!first) return;
    picked = { bake, step: first.step };
    await planning.pin({ bake, step: first.step, at: local(Date.parse(first.start_at) + seconds * 1000) });
  }

  async function take(begin: string[]): Promise<void> {
    starting = true;
    const bakes = await planning.take(begin);
    starting = false;
    if (bakes.length > 0) await navigate('/bench/:bake', { params: { bake: bakes[0]! } });
  }

  async function remove(order: Order): Promise<void> {
    gone = await planning.remove(order);
  }

  const names = (d: string) =>
    d === dateOf(now.value) ? 'Today' : d === dateOf(now.value + 86_400_000) ? 'Tomorrow' : dayName(`${d}T12:00`);
  const counts = $derived(
    new Map(planning.days().map((d) => [d, planning.orders.filter((o) => isDue(o.order, d)).length])),
  );
</script>

<div
  class="grid grow grid-cols-[minmax(0,1fr)] content-start gap-x-8 gap-y-5 px-4 pt-4 pb-8 sm:px-6 lg:grid-cols-[20rem_minmax(0,1fr)]"
>
  <section class="min-w-0 space-y-3" aria-label="Orders">
    <h1 class="text-3xl">{plan && planning.loaded ? names(planning.day) : 'Plan'}</h1>
    <div class="-mx-1 flex gap-1 overflow-x-auto pb-1" role="group" aria-label="Day">
      {#each planning.days().slice(0, 8) as d (d)}
        <button
          class="min-h-12 shrink-0 px-2 {d === planning.day
            ? 'font-bold underline decoration-[3px] underline-offset-[6px]'
            : 'text-quiet'}"
          aria-pressed={d === planning.day}
          onclick={() => choose(d)}
          >{names(d)}{#if counts.get(d)}<span class="ml-1">({counts.get(d)})</span>{/if}</button
        >
      {/each}
    </div>
    <OrderEntry {planning} {titles} />
    {#if gone}
      <p class="flex items-center justify-between gap-3 bg-surface px-3">
        {titles.get(gone.formula) ?? gone.formula} taken away.
        <button
          class="min-h-12 font-semibold underline"
          onclick={async () => {
            if (gone && (await planning.add([gone]))) gone = null;
          }}>Put it back</button
        >
      </p>
    {/if}
    {#if planning.due.length > 0}
      <ul class="divide-y divide-line" aria-label="Due">
        {#each planning.due as o (o.order.id)}
          <li class="flex items-start justify-between gap-2 py-1.5">
            <div class="min-w-0 flex-1">
              <strong>{clock(o.order.due_at)} {o.title}</strong>
              <p class="text-[15px] text-quiet">
                {o.amount}{o.order.goes_to ? `, for ${o.order.goes_to}` : ''}{o.order.sure === 'certain' ||
                !o.order.sure
                  ? ''
                  : `, ${o.order.sure}`}{o.again ? `, ${o.again}` : ''}
              </p>
            </div>
            <button
              class="min-h-12 shrink-0 px-2 text-[15px] underline"
              aria-label="Change {o.title}, {clock(o.order.due_at)}"
              onclick={() => (planning.changing = o)}>change</button
            >
            <button
              class="min-h-12 shrink-0 px-2 text-[15px] underline"
              aria-label="Take away {o.title}, {clock(o.order.due_at)}"
              onclick={() => remove(o.order)}>take away</button
            >
          </li>
        {/each}
      </ul>
    {:else if planning.loaded}
      <p class="text-quiet">Nothing is ordered for this day.</p>
    {/if}
    <p class="flex flex-wrap gap-x-4 text-[15px]">
      <a class="flex min-h-11 items-center underline" href="/api/orders.csv" download>Orders as CSV</a>
      <a
        class="flex min-h-11 items-center underline"
        href="/api/days/{planning.day}.ics?offset={-new Date().getTimezoneOffset()}"
        download>Calendar</a
      >
      <a
        class="flex min-h-11 items-center underline"
        href="/api/days/{planning.day}/sheet.pdf?offset={-new Date().getTimezoneOffset()}"
        target="_blank">Day sheet</a
      >
    </p>
  </section>

  <section class="min-w-0 space-y-4" aria-label="The day's plan">
    {#if planning.problem}<Notice problem={planning.problem} onclose={() => (planning.problem = null)} />{/if}
    {#if plan && plan.bakes.length > 0}
      <div class="flex flex-wrap items-end justify-between gap-x-6 gap-y-3">
        <div class="min-w-0 flex-1 basis-[24rem]">
          <p class="font-display text-[2.2rem] leading-tight font-semibold" data-testid="verdict">
            {planning.old
              ? 'Planning…'
              : planning.late.length > 0
                ? `${planning.late.length} of ${plan.bakes.length} not in time`
                : `${plan.bakes.length === 1 ? 'It is' : 'All are'} ready in time`}
          </p>
          <p class="text-[17px]">{plan.because}</p>
          <!-- As high without the button: nothing moves under a finger when the search is over. -->
          <p class="flex min-h-11 items-center text-[15px] leading-tight text-quiet" aria-live="polite">
            {#if planning.looking}<span
                >Looking for a better plan{!planning.old && plan.gap !== null && plan.gap !== undefined
                  ? `: at most ${(plan.gap * 100).toFixed(plan.gap < 0.1 ? 1 : 0)} % can still be saved`
                  : ''}…</span
              >
              <button class="min-h-11 px-2 font-semibold text-ink underline" onclick={() => planning.stop()}
                >Stop</button
              >
            {:else if plan.gap !== null && plan.gap !== undefined}{plan.gap < 0.001
                ? 'No other order is better.'
                : `At most ${(plan.gap * 100).toFixed(1)} % could still be saved.`}{/if}
          </p>
        </div>
        <div class="flex flex-wrap items-center gap-2">
          {#if planning.toBegin.length > 0}
            <button
              class="act {planning.isFar ? '' : 'act-now'} min-w-48"
              disabled={starting || planning.old}
              onclick={() => take(planning.toBegin.map((b) => b.id))}
              >{`Begin ${planning.toBegin.length === 1 ? planning.toBegin[0]!.title : `these ${planning.toBegin.length}`}`}</button
            >
          {/if}
          <button
            class="act {planning.isFar ? 'act-now' : ''}"
            disabled={starting || planning.old || planning.keptAt !== null}
            onclick={() => take([])}
            >{planning.keptAt === null ? 'Keep this plan' : `Kept at ${clock(planning.keptAt)}`}</button
          >
        </div>
      </div>
      {#each plan.refused as r (r.id)}
        <p class="border-l-[6px] border-raspberry pl-4">
          <strong>{r.title}: {r.says}</strong> <span class="text-quiet">{r.remedy}</span>
        </p>
      {/each}
      <div class="-mx-3 bg-surface py-2">
        <DayBraids
          {plan}
          now={now.value}
          {picked}
          label="Braids of the day"
          onpick={(bake, one) => (picked = picked?.bake === bake && picked.step === one ? null : { bake, step: one })}
          onmove={planning.old ? undefined : move}
        />
      </div>
      {#if chosen && step}
        <div class="border-l-[6px] border-ink pl-4" aria-live="polite">
          <p class="text-[17px]">
            <strong>{clock(step.start_at)} to {clock(step.end_at)} {step.title}</strong>, {chosen.title}{people.get(
              step.person,
            )
              ? `, ${people.get(step.person)}`
              : ''}{step.oven_c ? `, ${Math.round(step.oven_c)} °C` : ''}.
            {step.begun
              ? 'It was begun.'
              : step.critical
                ? 'No slack: later, and something is late.'
                : `It could be ${length(step.slack_s)} later.`}
          </p>
          {#if !step.begun}
            <div class="flex flex-wrap gap-2 pt-2">
              {#each [-30, -10, 10, 30] as minutes (minutes)}
                <button
                  class="act act-small"
                  onclick={() =>
                    planning.pin({
                      bake: chosen.id,
                      step: step.step,
                      at: local(Date.parse(step.start_at) + minutes * 60_000),
                    })}>{Math.abs(minutes)} min {minutes < 0 ? 'sooner' : 'later'}</button
                >
              {/each}
              <button
                class="act act-small"
                onclick={() => planning.pin({ bake: chosen.id, step: step.step, at: local(step.start_at) })}
                >Pin it here</button
              >
              {#if isPinned}<button class="act act-small" onclick={() => planning.letGo(chosen.id)}
                  >Let {chosen.title} go</button
                >{/if}
            </div>
          {/if}
        </div>
      {:else}
        <p class="text-[15px] text-quiet">
          Choose a step to see its slack and to pin it; draw a bake by its name to another time. A line below a strand:
          no slack.
        </p>
      {/if}
      {#if planning.late.length > 0}
        <section aria-labelledby="ways">
          <h2 id="ways" class="text-xl">What would bring all in time</h2>
          {#if planning.ways.waiting}<p class="text-quiet">Trying…</p>
          {:else if planning.ways.value?.length === 0}<p class="text-quiet">
              Nothing that was tried helps: what is late was begun already, or would have to be due later.
            </p>{/if}
          <ul class="list-disc pl-5">
            {#each planning.ways.value ?? [] as way (way.says)}
              <li class="py-0.5">
                {way.says}
                <span class="text-quiet"
                  >{way.late_s > 60
                    ? `Then still ${length(way.late_s)} late in all.`
                    : way.kind === 'later'
                      ? ''
                      : 'Then all are in time.'}</span
                >
              </li>
            {/each}
          </ul>
        </section>
      {/if}
      <Beforehand {planning} {plan} />
      <People {plan} />
      <Around day={planning.day} basis={plan} />
      {#if running.length > 0}
        <p class="text-quiet">
          At the bench: {#each running as b (b.id)}<a
              class="mr-3 inline-flex min-h-11 items-center underline"
              href={p('/bench/:bake', { params: { bake: b.bake } })}>{b.title}, ready {when(b.ready_at, now.value)}</a
            >{/each}
        </p>
      {/if}
    {:else if planning.loaded && !planning.looking && !planning.problem}
      <div class="py-6">
        <p class="font-display text-2xl">Write down what is to be ready, and when.</p>
        <p class="mt-2 max-w-prose text-lg text-quiet">
          Several bakes are planned over the same hands, mixers, hob and ovens, so that no foam waits and as little as
          possible is late.
        </p>
      </div>
    {:else if planning.looking}
      <p class="py-6 text-lg text-quiet">Planning…</p>
    {/if}
  </section>
</div>
