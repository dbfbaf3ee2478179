<script lang="ts">
  import Working from '../../lib/parts/Working.svelte';
  import { innerWidth } from 'svelte/reactivity/window';
  import RatioBand from '../../lib/draw/RatioBand.svelte';
  import { celsius } from '../../lib/figures.svelte';
  import Choice from '../../lib/parts/Choice.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import { navigate } from '../../routes';
  import { CLASSES } from './classes';
  import Process from './Process.svelte';
  import { ReadingIn } from './reading.svelte';
  import ReadRows from './ReadRows.svelte';
  import ReadStep from './ReadStep.svelte';

  const reading = new ReadingIn();
  $effect(() => reading.consider());
  $effect(() => reading.forecast());

  const EXAMPLE = 'Lemon chiffon\n\nIngredients\n2 1/4 cups cake flour\n…\n\nMethod\nHeat the oven to 325 F …';
  const SIDE_BY_SIDE_PX = 1024;
  const wide = $derived((innerWidth.current ?? SIDE_BY_SIDE_PX) >= SIDE_BY_SIDE_PX);
  let keeping = $state(false);
  const draft = $derived(reading.draft);
  const forecast = $derived(reading.checked.value?.forecast ?? null);
  const step = $derived(forecast?.steps.find((s) => s.id === reading.picked) ?? null);
  const marks = $derived(
    new Map(
      reading.steps
        .filter((s) => s.assumed)
        .map((s) => [s.id, (s.kind as string) === 'hand' ? 'in its own words' : 'assumed']),
    ),
  );
  /** What stands below the process and wants to be seen before it is added. */
  const below = $derived(
    [
      { id: 'open-questions', one: 'open question', many: 'open questions', count: draft?.questions.length ?? 0 },
      { id: 'remarks', one: 'remark', many: 'remarks', count: draft?.lint.length ?? 0 },
    ].filter((b) => b.count > 0),
  );
  function show(id: string): void {
    const heading = document.getElementById(id);
    heading?.scrollIntoView({ block: 'start' });
    heading?.focus({ preventScroll: true });
  }
  const corrected = $derived(reading.byHand.mends.length + reading.byHand.meant.length);
  const about = $derived.by(() => {
    const m = draft?.method;
    if (!m) return [];
    return [
      m.oven_c ? `oven ${celsius(m.oven_c.low)}${m.fan ? ', fan' : ''}` : '',
      m.bake_minutes
        ? `${m.bake_minutes.low}${m.bake_minutes.high > m.bake_minutes.low ? ` to ${m.bake_minutes.high}` : ''} min`
        : '',
      m.tin ? m.tin.name : '',
      m.syrup_c ? `syrup ${celsius(m.syrup_c)}` : '',
    ].filter(Boolean);
  });

  async function keep(): Promise<void> {
    keeping = true;
    const id = await reading.keep();
    keeping = false;
    if (id) await navigate('/book/:formula', { params: { formula: id } });
  }
</script>

<div class="px-4 py-5 sm:px-6">
  <h1 class="text-3xl">Read a recipe in</h1>
  <p class="max-w-prose text-lg text-quiet">
    Paste it as you found it, or open a file. Correct the text, and everything is read again. Nothing goes into the Book
    until you add it.
  </p>
  {#if reading.problem}<Notice problem={reading.problem} onclose={() => (reading.problem = null)} />{/if}
  <div class="mt-4 grid gap-x-8 gap-y-6 lg:grid-cols-2">
    <div class="min-w-0">
      <label class="block font-semibold">
        The recipe
        <textarea
          class="field mt-1 text-[16px] leading-snug font-normal {draft ? 'h-40' : 'min-h-56 lg:min-h-96'}"
          spellcheck="false"
          placeholder={EXAMPLE}
          bind:value={reading.text}></textarea>
      </label>
      <div class="mt-2 flex flex-wrap gap-3">
        <label class="act act-small cursor-pointer focus-within:outline-3">
          Open a file
          <input
            type="file"
            accept=".jsonld,.json,.csv,.tsv,.txt,.md,application/ld+json,text/plain,text/csv"
            class="sr-only"
            onchange={(e) => {
              const file = e.currentTarget.files?.[0];
              if (file) void reading.open(file);
              // So that the same file, mended, can be chosen again.
              e.currentTarget.value = '';
            }}
          />
        </label>
        {#if reading.text}<button
            class="act act-small"
            onclick={() => {
              reading.text = '';
              reading.whole = null;
              reading.forget();
            }}>Clear</button
          >{/if}
        {#if corrected}<button class="act act-small" onclick={() => reading.forget()}
            >Take back {corrected === 1 ? 'the correction' : `${corrected} corrections`}</button
          >{/if}
      </div>
      {#if reading.read.problem && reading.text.trim()}<Notice problem={reading.read.problem} />{/if}
      {#if reading.text.trim()}<Working asking={reading.read} what="the recipe" />{/if}
      {#if draft}
        <div class="transition-opacity {reading.read.waiting ? 'opacity-60' : ''}">
          <div class="mt-4 grid items-end gap-3 sm:grid-cols-[minmax(0,1fr)_16rem]">
            <div>
              <h2 class="text-2xl">{draft.title}</h2>
              <p class="text-quiet">{about.join(', ')}</p>
            </div>
            <Choice
              label="Class of bake"
              value={draft.technique}
              options={CLASSES.map((c) => ({ value: c, label: c }))}
              onvalue={(v) => (reading.technique = v)}
            />
          </div>
          <h3 class="mt-4 text-lg font-semibold">As it was read</h3>
          <ReadRows {reading} {draft} steps={forecast?.steps ?? []} {wide} />
        </div>
      {/if}
    </div>

    {#if draft}
      <div
        class="min-w-0 lg:-mt-2 lg:-ml-2 lg:sticky lg:top-4 lg:max-h-[calc(100vh-2rem)] lg:self-start lg:overflow-y-auto lg:pt-2 lg:pr-4 lg:pl-2"
      >
        {#if reading.formula}
          <div class="mb-2 flex flex-wrap items-baseline gap-x-4">
            <h2 class="text-2xl">Proposed process</h2>
            {#each below as b (b.id)}
              <button class="min-h-11 font-semibold underline decoration-copper decoration-2" onclick={() => show(b.id)}
                >{b.count} {b.count === 1 ? b.one : b.many}</button
              >
            {/each}
          </div>
          {#if reading.checked.problem}<Notice problem={reading.checked.problem} />{/if}
          {#if forecast}
            {#if step && (wide || reading.sentence === null)}<ReadStep {reading} {step} />{/if}
            <div class="transition-opacity {reading.checked.waiting ? 'opacity-60' : ''}">
              <Process
                steps={forecast.steps}
                components={forecast.components}
                picked={reading.picked}
                {marks}
                onpick={(id) => reading.pick(reading.picked === id ? null : id)}
              />
            </div>
            <button class="act act-now mt-4" disabled={keeping} onclick={() => void keep()}>Add to the Book</button>
            <p class="mt-1 text-quiet">Then change it as a process: steps, vessels, portions, end points.</p>
          {:else if reading.checked.value?.trouble}<p class="text-lg">{reading.checked.value.trouble}</p>{/if}
        {:else}
          <p class="text-lg">No process can be proposed yet: see the open questions.</p>
        {/if}

        {#if draft.questions.length}
          <h3 id="open-questions" tabindex="-1" class="mt-5 outline-none text-lg font-semibold">Open questions</h3>
          <ul>
            {#each draft.questions as q, i (i)}
              <li class="border-l-[6px] border-copper py-1 pl-3">
                <strong>{q.text}</strong> <span class="text-quiet">Assumed: {q.assumed}.</span>
              </li>
            {/each}
          </ul>
        {/if}
        {#if draft.lint.length}
          <h3 id="remarks" tabindex="-1" class="mt-5 outline-none text-lg font-semibold">
            What is missing or looks wrong
          </h3>
          <ul class="space-y-2">
            {#each draft.lint as remark, i (i)}
              <li class="border-l-[6px] pl-3 {remark.level === 'wrong' ? 'border-raspberry' : 'border-copper'}">
                <strong>{remark.text}</strong>
                {remark.consequence}
                {#if remark.where}<span class="block text-[14px] text-quiet">“{remark.where}”</span>{/if}
              </li>
            {/each}
          </ul>
        {/if}
        {#if forecast}
          <div class="mt-4 grid gap-x-10 sm:grid-cols-2">
            {#each forecast.balance as r (r.id + r.component + r.step)}<RatioBand ratio={r} />{/each}
          </div>
          {#each forecast.warnings as w, i (i)}
            <p class="mt-3 border-l-[6px] border-copper pl-4">
              <strong>{w.text}</strong> <span class="text-quiet">{w.remedy}</span>
            </p>
          {/each}
        {/if}
      </div>
    {/if}
  </div>
</div>
