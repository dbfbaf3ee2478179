<script lang="ts">
  import { untrack } from 'svelte';
  import Braid from '../../lib/draw/Braid.svelte';
  import { now } from '../../lib/now.svelte';
  import Loading from '../../lib/parts/Loading.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import Questions from '../../lib/parts/Questions.svelte';
  import { sound } from '../../lib/sound.svelte';
  import { regularly } from '../../lib/regularly';
  import { countdown, length, moment, until } from '../../lib/time';
  import { navigate, p, route } from '../../routes';
  import { alerts } from './alerts.svelte';
  import { calling, calls, Others } from './others.svelte';
  import { BenchState } from './bench.svelte';
  import Foot from './Foot.svelte';
  import KeysSheet from './KeysSheet.svelte';
  import NoteSheet from './NoteSheet.svelte';
  import Picture from './Picture.svelte';
  import ProbeSheet from './ProbeSheet.svelte';
  import ReadingSheet from './ReadingSheet.svelte';
  import SkipSheet from './SkipSheet.svelte';
  import StandIns from './StandIns.svelte';
  import { StandInState } from './standIns.svelte';
  import StepNow from './StepNow.svelte';
  import StepsSheet from './StepsSheet.svelte';
  import TimerSheet from './TimerSheet.svelte';
  import Slipped from '../../lib/parts/Slipped.svelte';
  import HandsStrip from './HandsStrip.svelte';
  import OtherwiseSheet, { type Way } from './otherwise/OtherwiseSheet.svelte';

  const bench = new BenchState(route.params.bake!);
  const standIns = new StandInState();
  void standIns.load();
  let sheet = $state<
    'reading' | 'stand-ins' | 'probe' | 'timer' | 'note' | 'skip' | 'steps' | 'keys' | 'otherwise' | null
  >(null);
  /** What of it goes otherwise, where the baker has said so already. */
  let way = $state<Way | null>(null);

  function otherwise(which: Way | null): void {
    way = which;
    sheet = 'otherwise';
  }
  let rung = new Set<string>();
  let opened = Date.now();
  /** Whether the focus was moved by keyboard. */
  let walking = false;
  let wide = $state(innerWidth);
  const small = $derived(wide < 640);

  // Once: to look at another step must not hang up on the live stream and call again.
  $effect(() => untrack(() => bench.follow()));

  $effect(() => {
    if (!bench.bake) return;
    for (const alert of alerts(bench.bake)) {
      if (alert.at > now.value || rung.has(alert.id)) continue;
      rung.add(alert.id);
      if (alert.at > opened - 5000) sound.ring(alert.strikes);
    }
  });

  const others = new Others();
  const called = $derived(calling(calls(others.states), now.value));
  const OTHERS_MS = 20_000;
  const SOON_MS = 400;
  $effect(() => {
    const here = bench.id;
    return regularly(() => others.load(here), OTHERS_MS, SOON_MS);
  });
  $effect(() => {
    for (const call of called) {
      if (rung.has(call.id)) continue;
      rung.add(call.id);
      if (call.at > opened - 5000) sound.ring(call.strikes);
    }
  });

  $effect(() => {
    const outlook = bench.detail?.outlook;
    const words = bench.detail?.forecast.goal ?? 'Bench';
    document.title = outlook ? `${countdown(until(outlook.likely_at, now.value))} ${words}` : `${words}, Kind Whisk`;
    return () => (document.title = 'Kind Whisk');
  });

  $effect(() => {
    if (bench.bake?.status !== 'running' || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    const hold = () =>
      document.visibilityState === 'visible' &&
      navigator.wakeLock.request('screen').then(
        (l) => (lock = l),
        () => {},
      );
    void hold();
    document.addEventListener('visibilitychange', hold);
    return () => {
      document.removeEventListener('visibilitychange', hold);
      void lock?.release();
    };
  });

  $effect(() => {
    if (bench.bake && bench.bake.status !== 'running') void navigate('/log/:bake', { params: { bake: bench.id } });
  });

  /** A finger's word, where a skin forms at the step that is shown. */
  function touched(feel: 'wet' | 'tacky' | 'dry' | 'too long'): void {
    if (bench.shown && bench.detail?.skin && bench.line?.status === 'running') bench.touched(bench.shown, feel);
  }

  function keys(event: KeyboardEvent): void {
    const target = event.target as HTMLElement;
    if (
      sheet ||
      event.ctrlKey ||
      event.metaKey ||
      event.altKey ||
      target.closest('input, textarea, select, [role=dialog]')
    )
      return;
    const pressed = event.key.toLowerCase();
    if (pressed === 'tab') walking = true;
    // Whoever has walked to a button by keyboard presses that one; one that was only touched before is left alone.
    if (pressed === ' ' && walking && target.closest('button, a, [role=button]')) return;
    const acts: Record<string, () => void> = {
      ' ': () => bench.confirm(),
      r: () => (sheet = 'reading'),
      t: () => (sheet = 'timer'),
      n: () => (bench.detail?.skin && bench.line?.status === 'running' ? touched('tacky') : bench.notYet()),
      o: () => (sheet = 'note'),
      s: () => (sheet = 'skip'),
      w: () => bench.startWhites(),
      a: () => (sheet = 'steps'),
      c: () => otherwise(null),
      g: () => otherwise('again'),
      l: () => otherwise('last'),
      u: () => bench.undo(),
      '1': () => touched('wet'),
      '2': () => touched('tacky'),
      '3': () => touched('dry'),
      '4': () => touched('too long'),
      b: () => strip?.go(),
      m: () => sound.toggle(),
      '?': () => (sheet = 'keys'),
    };
    const act = acts[pressed];
    if (!act) return;
    event.preventDefault();
    act();
  }

  let strip = $state<{ go: () => void }>();
  let foot = $state(68);
  const late = $derived(bench.bake ? bench.bake.late_by_s : 0);
</script>

<svelte:window onkeydown={keys} onpointerdown={() => (walking = false)} bind:innerWidth={wide} />

{#if bench.bake && bench.braid}
  {@const bake = bench.bake}
  <section class="border-b border-line bg-surface px-4 pt-1 sm:px-6" aria-label="The bake in time">
    <div class="flex flex-wrap items-baseline justify-between gap-x-6">
      <h1 class="text-xl">
        {bake.title}<span class="ml-3 font-sans text-base font-normal text-quiet">{bake.batch}</span>
      </h1>
      <p class="text-[17px]">
        <span class={late > 300 ? 'font-semibold text-raspberry' : 'font-semibold text-leaf'}>
          ready {moment(bake.expected_ready_at, now.value)}{late > 90
            ? `, ${length(late)} late`
            : late < -90
              ? `, ${length(late)} early`
              : ', on time'}
        </span>
        {#if standIns.view?.available}
          <button class="-my-2 ml-3 min-h-14 px-2 text-quiet" onclick={() => (sheet = 'stand-ins')}
            >stand-ins{bake.speed > 1 ? ` ×${bake.speed}` : ''}</button
          >
        {/if}
        <button class="-my-2 ml-3 min-h-14 px-2 text-quiet" onclick={() => sound.toggle()} aria-pressed={sound.muted}>
          {sound.muted ? 'muted' : 'sound on'}
        </button>
        <button class="-my-2 min-h-14 px-2 text-quiet" onclick={() => (sheet = 'keys')}
          >keys <span class="key">?</span></button
        >
      </p>
    </div>
    <Braid
      braid={bench.braid.actual}
      anchor={Date.parse(bench.braid.origin)}
      now={now.value}
      current={bench.shown}
      done={bench.done}
      laneHeight={small ? 15 : 18}
      label="Braid: every vessel over time"
      onpick={(step) => bench.look(step)}
    />
  </section>

  {#if called.length > 0}
    <ul class="border-b border-line bg-surface px-4 sm:px-6" role="status" aria-label="Other bakes call">
      {#each called.slice(0, 2) as call (call.id)}
        <li class="border-l-[6px] border-copper pl-3">
          <a
            class="flex min-h-14 items-center gap-2 text-[17px]"
            href={p('/bench/:bake', { params: { bake: call.bake } })}
            ><strong>{call.title}:</strong> <span class="underline">{call.words}</span></a
          >
        </li>
      {/each}
    </ul>
  {/if}
  <Slipped />
  <HandsStrip bind:this={strip} here={bench.id} sequence={bake.sequence} />
  {#if bake.idle_until}
    <p class="flex flex-wrap items-center gap-x-4 border-b border-line px-4 py-1 text-[17px] sm:px-6" role="status">
      <span
        ><strong>Nothing to do before {moment(bake.idle_until, now.value)}</strong>, for {moment(
          bake.ready_at,
          now.value,
        )}.
        <span class="text-quiet">What has to be made ready can be ticked meanwhile.</span></span
      >
      <button class="min-h-14 px-2 font-semibold underline" onclick={() => otherwise('when')}>Go on now instead</button>
    </p>
  {/if}
  {#if bench.problem}<Notice problem={bench.problem} onclose={() => (bench.problem = null)} />{/if}
  <!-- A time is asked about until the next thing happens, then on the record: hands are full. -->
  <div class="sticky top-0 z-20">
    <Questions
      questions={bake.questions.filter((q) => q.entry !== 'time' || q.sequence === bake.sequence)}
      onanswer={(sequence, right) => bench.tell({ kind: 'answered', sequence, right })}
    />
  </div>
  {#if bench.detail && bench.line}
    <div
      style:--foot="{foot}px"
      class="grid grow content-start gap-x-8 gap-y-4 px-4 pt-3 pb-4 sm:px-6 lg:grid-cols-[minmax(0,1.35fr)_minmax(0,1fr)]"
    >
      <StepNow {bench} onsheet={(which) => (sheet = which)} onotherwise={otherwise} />
      <Picture {bench} onprobe={() => (sheet = 'probe')} />
    </div>
  {:else}
    <div class="grow px-6 py-10">
      <h2 class="text-4xl">All steps are done.</h2>
      <p class="mt-2 max-w-prose text-lg text-quiet">
        Write down how it came out while you can still see it. The next forecast learns from it.
      </p>
      <a class="act act-now mt-6" href={p('/log/:bake', { params: { bake: bench.id } })}>How did it come out?</a>
    </div>
  {/if}
  <Foot {bench} bind:tall={foot} />

  <ReadingSheet {bench} open={sheet === 'reading'} onclose={() => (sheet = null)} />
  <ProbeSheet {bench} open={sheet === 'probe'} onclose={() => (sheet = null)} />
  <TimerSheet {bench} open={sheet === 'timer'} onclose={() => (sheet = null)} />
  <NoteSheet {bench} open={sheet === 'note'} onclose={() => (sheet = null)} />
  <SkipSheet {bench} open={sheet === 'skip'} onclose={() => (sheet = null)} />
  <StepsSheet {bench} open={sheet === 'steps'} onclose={() => (sheet = null)} />
  <StandIns {standIns} open={sheet === 'stand-ins'} onclose={() => (sheet = null)} />
  <OtherwiseSheet {bench} open={sheet === 'otherwise'} first={way} onclose={() => (sheet = null)} />
  <KeysSheet open={sheet === 'keys'} onclose={() => (sheet = null)} />
{:else if bench.problem}
  <div class="p-6"><Notice problem={bench.problem} /></div>
{:else}
  <section class="border-b border-line bg-surface px-4 sm:px-6" aria-label="The bake in time">
    <div class="min-h-[168px]"><Loading what="the bake" /></div>
  </section>
{/if}
