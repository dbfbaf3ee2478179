<script lang="ts">
  import { figure, grams, origin } from '../../lib/figures.svelte';
  import Stages from '../../lib/draw/Stages.svelte';
  import { now } from '../../lib/now.svelte';
  import Additions from '../../lib/parts/Additions.svelte';
  import Rescues from '../../lib/parts/Rescues.svelte';
  import { clock, countdown, length, moment, until } from '../../lib/time';
  import type { BenchState } from './bench.svelte';
  import type { Way } from './otherwise/OtherwiseSheet.svelte';
  import BakeNow from './BakeNow.svelte';
  import BakeTold from '../../lib/parts/BakeTold.svelte';
  import BowlNow from './BowlNow.svelte';
  import Awaited from './Awaited.svelte';
  import CoolGates from '../../lib/parts/CoolGates.svelte';
  import EggHeat from './EggHeat.svelte';
  import Gate from './Gate.svelte';
  import Meeting from './Meeting.svelte';
  import PotNow from './PotNow.svelte';
  import GoesTo from '../../lib/parts/GoesTo.svelte';
  import ReadyNow from '../../lib/parts/ReadyNow.svelte';
  import SkinTouches from './SkinTouches.svelte';
  import SortCounts from './SortCounts.svelte';

  type Props = {
    bench: BenchState;
    onsheet: (which: 'reading' | 'probe' | 'timer' | 'note' | 'skip' | 'steps') => void;
    onotherwise: (way: Way | null) => void;
  };
  let { bench, onsheet, onotherwise }: Props = $props();

  const detail = $derived(bench.detail!);
  const step = $derived(detail.forecast);
  const line = $derived(bench.line!);
  const running = $derived(line.status === 'running' && detail.outlook !== null);
  const watch = $derived(detail.watch);
  const followed = $derived((watch?.readings ?? 0) > 0);
  const check = $derived(step.checkpoints[0]);
  const weighed = $derived(step.inputs.filter((i) => i.ingredient));
  const big = $derived(step.inputs.length > 0 && weighed.length === step.inputs.length && !running);
  const cue = $derived(detail.cues.find((c) => !c.done));
  const left = $derived(detail.outlook ? until(detail.outlook.likely_at, now.value) : 0);
  const look = $derived(detail.outlook?.look_at ? until(detail.outlook.look_at, now.value) : null);
  const goal = $derived(running ? step.goal : step.title);
  const blocked = $derived(line.status === 'waiting' && bench.gate !== null && !bench.gate.open);
  /** Nothing to do but wait: no yolk yellow before the first look. */
  const resting = $derived(
    running &&
      ((line.attention === 'none' && look !== null && look > 0) ||
        (followed && watch?.pot && !bench.meeting?.meeting.pour && left > 15)),
  );
  /** The last cup of what is in the bowl at this step. */
  const cup = $derived(
    bench.bake!.readings.findLast((r) => r.step === step.id && r.quantity === 'density' && r.counts),
  );
  /** The additions of this step within its fold, and how many of the fold come before them. */
  const own = $derived(detail.fold?.additions.filter((a) => a.step === step.id) ?? step.additions);
  const before = $derived(detail.fold?.additions.findIndex((a) => a.step === step.id) ?? 0);
</script>

<section aria-label="The step now" data-at="{step.id} {line.status}" class="flex min-w-0 flex-col gap-2.5">
  <div class="items-center justify-between gap-x-4 max-sm:contents sm:flex">
    <p class="text-[17px] text-quiet">
      {[running || big ? step.title : step.goal, step.vessel === 'oven' ? '' : step.vessel_name, step.setup]
        .filter(Boolean)
        .join(', ')}
      {#if bench.focus && bench.focus !== bench.bake?.current}
        <button
          class="-my-3 ml-2 min-h-14 font-semibold text-ink underline"
          onclick={() => bench.look(bench.bake!.current ?? '')}>back to now</button
        >
      {/if}
    </p>
    <div class="-my-1.5 flex gap-x-1 text-[16px] text-quiet max-sm:order-last max-sm:gap-x-0">
      <button class="min-h-14 px-2 underline" onclick={() => onsheet('steps')}>Steps <span class="key">A</span></button>
      <button class="min-h-14 px-2 underline" onclick={() => onsheet('timer')}>Timer <span class="key">T</span></button>
      <button class="min-h-14 px-2 underline" onclick={() => onsheet('note')}
        >Note, photo <span class="key">O</span></button
      >
      <button class="min-h-14 px-2 underline" onclick={() => onotherwise(null)}
        >Otherwise <span class="key">C</span></button
      >
      <button class="min-h-14 px-2 underline" onclick={() => onsheet('skip')}>Skip <span class="key">S</span></button>
      <button
        class="min-h-14 px-2 underline disabled:opacity-40"
        disabled={!bench.bake?.undoable}
        onclick={() => bench.undo()}>Undo <span class="key">U</span></button
      >
    </div>
  </div>
  {#each detail.notices as told, i (i)}
    <p
      class="border-l-[6px] {told.level === 'danger'
        ? 'border-raspberry'
        : 'border-copper'} pl-4 text-[17px] leading-snug"
    >
      <strong>{told.text}</strong> <span class="text-quiet">{told.remedy}</span>
    </p>
  {/each}
  {#if running && watch?.beside_why}
    <p class="border-l-[6px] border-copper pl-4 text-[17px] leading-snug">
      <strong>{watch.beside_why}</strong>
      <span class="text-quiet">Until then the time is that of an oven as it is set.</span>
    </p>
  {/if}
  {#if running && followed && watch}
    {#if watch.pot}<PotNow {watch} {detail} read={bench.bake!.now} />
    {:else if watch.crumb}<BakeNow {watch} {detail} read={bench.bake!.now} />
    {:else}<BowlNow {watch} {detail} read={bench.bake!.now} />{/if}
    {@render meets()}
    <p class="text-lg"><strong>{step.do}</strong> {check?.sees} <span class="text-quiet">{step.why}</span></p>
  {:else if !big}
    <h2
      class="{detail.notices.length > 0 ? '' : '-mt-2'} {blocked || bench.meeting || detail.notices.length > 0
        ? 'text-[clamp(1.9rem,3.4vw,2.5rem)]'
        : 'text-[clamp(2.3rem,4.6vw,3.2rem)]'}"
      aria-live="polite"
    >
      {goal}
    </h2>
    {#if !blocked}
      <p class="-mt-1 text-xl font-semibold">{step.do}</p>
      {#if check && check.sees !== step.do && !(cup && line.status === 'waiting') && !(detail.skin && running) && detail.counts.length === 0}<p
          class="text-lg"
        >
          {running ? '' : 'Until: '}{check.sees}
        </p>{/if}
    {/if}
    {#if detail.skin && running}<!-- the words of the touch tell it -->
    {:else if running && check && (check.not_yet || check.too_far) && !bench.meeting}
      <p class="text-[17px] text-quiet">{check.not_yet} {check.too_far}</p>
    {:else if step.why && !blocked && !cup && detail.counts.length === 0}<p class="text-[17px] text-quiet">
        {step.why}
      </p>{/if}
  {:else}
    {@render cautions()}
    <ul class="flex flex-col gap-1">
      {#each weighed as item (item.name + item.role)}
        <li class="flex items-baseline gap-4">
          <span
            class="min-w-[9.5rem] text-right font-display text-[clamp(2.4rem,5vw,3.4rem)] leading-tight font-semibold"
            >{grams(item.grams)}</span
          >
          <span class="text-2xl">{item.name}{item.role ? `, for the ${item.role}` : ''}</span>
        </li>
      {/each}
    </ul>
    <p class="text-lg">{step.do} <span class="text-quiet">{step.why}</span></p>
  {/if}
  {#if detail.to_hand.length > 0}<p class="text-[17px]">
      At hand: {#each detail.to_hand as thing, i (thing.id)}{i > 0 ? '; ' : ''}<strong>{thing.name}</strong
        >{thing.detail ? `, ${thing.detail}` : ''}{/each}.
    </p>{/if}
  {#if step.goes.length > 1 && step.material.mass_g > 0}<GoesTo goes={step.goes} />{/if}
  {#if step.ready && line.status !== 'waiting'}<ReadyNow ready={step.ready} />{/if}
  {#if bench.bake?.cold && (bench.bake.cold.over || bench.bake.cold.left_s < 3600)}
    <p
      class="border-l-[6px] {bench.bake.cold.over ? 'border-raspberry' : 'border-copper'} pl-4 text-[17px] leading-snug"
    >
      <strong>{bench.bake.cold.says}</strong>
      <span class="text-quiet"
        >By its steps{bench.bake.cold.measured_s > 0 ? ' and readings' : ''}; your own rule decides.</span
      >
    </p>
  {/if}
  {#each bench.bake?.cooled ?? [] as one (one.step)}
    {#if one.cooled.late || one.cooled.second_h === null}
      <p class="border-l-[6px] {one.cooled.late ? 'border-raspberry' : 'border-copper'} pl-4 text-[17px] leading-snug">
        <strong>{one.title}: {one.cooled.says}</strong>
        <span class="text-quiet">{one.cooled.do} By readings (R); local rules and trained staff decide.</span>
      </p>
    {/if}
  {/each}
  {#if detail.counts.length > 0 && line.status === 'waiting' && line.startable}
    <SortCounts {bench} step={step.id} counts={detail.counts} />
    {#if check}<p class="text-[16px] text-quiet">{check.not_yet}</p>{/if}
  {/if}
  {#if cup && (cup.verdict || cup.tells)}
    <p
      class="border-l-[6px] pl-4 text-[19px] leading-snug {cup.verdict?.place === 'within'
        ? 'border-leaf'
        : 'border-copper'}"
    >
      <strong>{figure(cup.value, cup.unit)}{cup.verdict ? `: ${cup.verdict.word}.` : ' g/ml.'}</strong>
      {cup.verdict?.place === 'within' ? '' : (cup.verdict?.means ?? '')}
      {#if cup.verdict}<strong>{cup.verdict.can_do}</strong>{/if}
      {#if cup.tells}<span class="text-[17px] text-quiet">{cup.tells}</span>{/if}
    </p>
  {/if}
  {#if step.additions.length > 0 && line.status === 'waiting'}
    <Additions additions={own} first={before + 1} />
    {#if detail.fold && !detail.section_is_now}
      <p class="text-[16px] text-quiet">
        In all about <strong class="text-ink">{Math.round(100 * detail.fold.air_kept.likely)} %</strong> of the air
        stays, {Math.round(100 * detail.fold.air_kept.low)} to {Math.round(100 * detail.fold.air_kept.high)}, {origin(
          detail.fold.air_kept,
        )}.
        {#if detail.fold.sacrifice && step.id === detail.fold.steps[0]}Good first portions: {detail.fold.sacrifice
            .words}. {detail.fold.sacrifice.why}{/if}
      </p>
    {/if}
  {/if}
  {#if step.note}<p class="text-[17px] italic">{step.note}</p>{/if}
  {#if !big && !blocked && step.inputs.length > 0 && step.additions.length === 0 && detail.counts.length === 0 && line.status === 'waiting'}
    <p class="text-[17px] text-quiet">
      {#each step.inputs as item, i (i)}{i ? ', ' : 'With '}<span class="font-semibold text-ink"
          >{grams(item.grams)}</span
        >
        {item.ingredient ? item.name : `${item.share ? item.share + ' from' : 'from'} “${item.name}”`}{/each}
    </p>
  {/if}

  {#if running && !followed && detail.outlook}
    <div class="flex flex-wrap items-center gap-x-6 gap-y-1" role="timer">
      <span
        class="font-display {bench.meeting
          ? 'text-[clamp(2.6rem,4.6vw,3.4rem)]'
          : 'text-[clamp(4.5rem,8.4vw,5.75rem)]'} leading-[0.9] font-bold tracking-tight {left < 0
          ? 'text-copper'
          : ''}">{countdown(left)}</span
      >
      <p class="text-[17px] leading-snug">
        <span class="text-quiet"
          >{left < 0
            ? 'past the likely end'
            : `to ${check?.name.toLowerCase() ?? 'the end'}, about ${clock(detail.outlook.likely_at)}`}</span
        ><br />
        {#if look !== null && look > 0}<strong>look first in {countdown(look)}</strong>{:else}<strong
            class="text-copper">look now</strong
          >{/if}<br />
        <span class="text-[15px] text-quiet"
          >{length(step.duration_s.low)} to {length(step.duration_s.high)}; {origin(step.duration_s)}</span
        >
      </p>
    </div>
  {:else if detail.not_before && until(detail.not_before, now.value) > 60}
    <p class="text-lg">
      <strong>Not before {moment(detail.not_before, now.value)}.</strong>
      <span class="text-quiet">Earlier, it would only stand waiting.</span>
    </p>
  {/if}

  {#if !followed}{@render meets()}{/if}

  {#if running && watch?.pot && !followed}
    <p class="text-[17px]">
      <strong>No thermometer in the pot:</strong>
      <span class="text-quiet">the clock is a weak guide here. {check?.sees} Or type a reading now and then.</span>
      <button class="-my-2 min-h-14 px-2 underline" onclick={() => onsheet('probe')}>Put a thermometer to it</button>
    </p>
  {/if}

  {#if running && detail.spoilt}
    <p class="border-l-[6px] border-raspberry pl-4 text-[17px]" role="status">
      <strong
        >Past its peak: about {Math.round(100 * detail.spoilt.likely)} % of its air is gone ({Math.round(
          100 * detail.spoilt.low,
        )} to {Math.round(100 * detail.spoilt.high)}).</strong
      >
      <span class="text-quiet">{origin(detail.spoilt)}. A cup tells how it really stands.</span>
    </p>
  {/if}

  {#if cue && running}
    {@const wait = until(cue.at, now.value)}
    <div class="flex items-center gap-4 border-l-[6px] border-copper bg-surface py-2 pr-2 pl-4">
      <p class="grow">
        <strong class="text-xl">{cue.do} {wait > 0 ? `in ${countdown(wait)}` : 'now'}</strong><br /><span
          class="text-quiet">{cue.look}</span
        >
      </p>
      <button
        class="act act-small min-h-14"
        onclick={() => bench.tell({ kind: 'cue_done', step: step.id, cue: cue.id })}
        >{step.bake ? 'Done' : "It's in"}</button
      >
    </div>
  {/if}

  {#if running && detail.outlook && (step.passes.length > 0 || step.over_s) && !bench.meeting}
    <Stages {step} elapsed={-until(detail.outlook.started_at, now.value)} />
  {/if}

  {#if !big || followed}{@render cautions()}{/if}

  {#if step.bake && (line.status === 'waiting' || running)}<BakeTold {step} {running} />{/if}
  {#if step.gates.length > 0 && (line.status === 'waiting' || running)}<CoolGates
      gates={step.gates}
      outlook={detail.outlook}
      reached={detail.gates}
    />{/if}

  {#if running && watch?.egg}<EggHeat egg={watch.egg} />{/if}

  {#if running && step.rescues.length > 0}<Rescues
      rescues={step.rescues}
      ondone={(r) => bench.remedied(step.id, r.do, r.ingredient, r.grams)}
      onagain={() => onotherwise('again')}
    />{/if}

  {#if bench.gate && line.status === 'waiting'}<Gate gate={bench.gate} {bench} />{/if}

  {#if detail.skin && running}
    <SkinTouches {bench} step={step.id} skin={detail.skin} due={look === null || look <= 0} />
    <p>
      <button class="act act-small min-h-14" onclick={() => onsheet('reading')}
        >Reading <span class="key">R</span></button
      >
    </p>
  {:else if bench.act}
    <div class="fades-above sticky bottom-14 z-10 flex flex-wrap gap-2 bg-ground py-1.5 sm:bottom-(--foot) sm:gap-3">
      <button
        class="act {resting ? 'bg-ground' : 'act-now'} min-h-[64px] min-w-[min(100%,20rem)] grow text-2xl sm:grow-0"
        data-act="primary"
        disabled={!bench.act.ready}
        onclick={() => bench.confirm()}
      >
        <span>{bench.act.words}</span><span class="key">space</span>
      </button>
      <button class="act min-h-14 grow bg-ground sm:min-h-[64px] sm:grow-0" onclick={() => onsheet('reading')}
        >Reading <span class="key">R</span></button
      >
      {#if running}<button class="act min-h-14 grow bg-ground sm:min-h-[64px] sm:grow-0" onclick={() => bench.notYet()}
          >Not yet <span class="key">N</span></button
        >{/if}
    </div>
    {#if !bench.act.ready && !line.startable && !blocked}
      <p class="text-[17px] text-quiet">Something before it is not done yet.</p>
    {/if}
  {:else if line.status !== 'waiting' && line.status !== 'running'}
    <p class="text-lg text-quiet">
      {line.status === 'done'
        ? `Done at ${clock(line.ended_at!)}.`
        : line.status === 'lost'
          ? 'Lost: made once more.'
          : `Skipped: ${line.reason}`}
      {#if line.status === 'done'}<button
          class="-my-2 min-h-14 px-2 font-semibold text-ink underline"
          onclick={() => onotherwise('again')}>Begin again from here</button
        >{/if}
    </p>
  {/if}
</section>

{#snippet cautions()}
  {#if line.status === 'waiting' || running}
    {#each step.cautions as caution (caution.id)}
      <p class="border-l-[6px] border-raspberry pl-4 text-[15px] leading-snug">
        <strong>{caution.text}</strong>
        {#if !running}<span class="text-quiet">{caution.reason} {caution.defers}</span>{/if}
      </p>
    {/each}
  {/if}
{/snippet}

{#snippet meets()}
  {#each bench.called as called (called.whisk)}<Awaited {bench} {called} />{/each}
  {#if bench.meeting && running}
    {#if bench.meeting.whisk === bench.shown && bench.potDetail?.watch?.pot}
      <p class="-mb-2 font-semibold text-quiet">{bench.potDetail.forecast.title}</p>
      <PotNow watch={bench.potDetail.watch} detail={bench.potDetail} read={bench.bake!.now} small />
    {/if}
    <Meeting {bench} meets={bench.meeting} />
  {/if}
{/snippet}
