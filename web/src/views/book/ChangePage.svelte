<script lang="ts">
  import RatioBand from '../../lib/draw/RatioBand.svelte';
  import Section from '../../lib/draw/Section.svelte';
  import { grams } from '../../lib/figures.svelte';
  import Choice from '../../lib/parts/Choice.svelte';
  import Loading from '../../lib/parts/Loading.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import { length } from '../../lib/time';
  import { navigate, route } from '../../routes';
  import { Editor } from './editor.svelte';
  import FormulaHead from './FormulaHead.svelte';
  import Frame from './Frame.svelte';
  import Portions from './Portions.svelte';
  import StepFields from './StepFields.svelte';

  const editor = new Editor(route.params.formula!);
  void editor.load();
  $effect(() => editor.consider());

  const formula = $derived(editor.formula);
  const step = $derived(editor.step);
  const findings = $derived(editor.checked.value?.findings ?? []);
  const forecast = $derived(editor.checked.value?.forecast ?? null);
  const ahead = $derived(forecast?.steps.find((s) => s.id === step?.id) ?? null);
  const wrong = (id: string) => findings.filter((f) => f.step === id);
  const figure = (id: string) => {
    const found = forecast?.steps.find((s) => s.id === id);
    if (!found || found.material.mass_g <= 0) return '';
    const airy = found.material.air_fraction > 0.08;
    return airy ? `${found.material.density_g_per_ml.likely.toFixed(2)} g/ml` : grams(found.material.mass_g);
  };
  let list = $state<HTMLElement | null>(null);
  let form = $state<HTMLElement | null>(null);

  function keys(event: KeyboardEvent): void {
    const target = event.target as HTMLElement;
    if ((event.ctrlKey || event.metaKey) && event.key === 'z' && !target.matches('input, textarea')) {
      event.preventDefault();
      editor.undo();
      return;
    }
    if (!editor.picked || !list?.contains(target)) return;
    const at = editor.steps.findIndex((s) => s.id === editor.picked);
    const way = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    if (way && event.altKey) {
      event.preventDefault();
      editor.move(editor.picked, way);
    } else if (way) {
      event.preventDefault();
      editor.picked = editor.steps[Math.min(editor.steps.length - 1, Math.max(0, at + way))]?.id ?? null;
    } else if (event.key === 'Delete') {
      event.preventDefault();
      editor.remove(editor.picked);
    } else return;
    requestAnimationFrame(() => list?.querySelector<HTMLElement>('[aria-current=step]')?.focus());
  }

  /** On a narrow page the step's own fields are below the list. */
  function pick(id: string): void {
    editor.picked = id;
    if (window.innerWidth < 1024) requestAnimationFrame(() => form?.scrollIntoView({ block: 'start' }));
  }

  async function keep(): Promise<void> {
    if ((await editor.keep()) !== null) await navigate('/book/:formula', { params: { formula: editor.id } });
  }
</script>

<svelte:window onkeydown={keys} />
<div class="px-4 py-5 sm:px-6">
  {#if editor.problem}<Notice problem={editor.problem} onclose={() => (editor.problem = null)} />{/if}
  {#if !formula && !editor.problem}<Loading what="the formula" />{/if}
  {#if formula}
    <FormulaHead id={editor.id} title={formula.title} technique={formula.technique} version={editor.based_on} />
    {#if editor.restored}
      <p class="mb-3 border-l-[6px] border-copper pl-4">
        <strong>What you were changing here is still there.</strong>
        <button class="ml-2 min-h-11 font-semibold underline" onclick={() => editor.startOver()}>Start over</button>
      </p>
    {/if}
    <div class="sticky top-0 z-20 mb-3 flex flex-wrap items-center gap-3 bg-ground py-2">
      <button
        class="act act-small {editor.changed && !editor.blocked ? 'act-now' : ''}"
        disabled={!editor.changed || editor.blocked || editor.checked.waiting}
        onclick={() => void keep()}>Save as version {editor.based_on + 1}</button
      >
      <button class="act act-small" disabled={!editor.canUndo} onclick={() => editor.undo()}>Undo</button>
      <p class="text-[16px]" aria-live="polite">
        {#if findings.some((f) => f.blocks)}<strong class="text-raspberry">Not complete yet:</strong>
          {findings.filter((f) => f.blocks).length} thing{findings.filter((f) => f.blocks).length === 1 ? '' : 's'} to mend.
        {:else if editor.checked.value?.trouble}<strong class="text-raspberry">{editor.checked.value.trouble}</strong>
        {:else if forecast}<span class="text-quiet"
            >{grams(forecast.total_g)} in all, {forecast.steps.length} steps, including those that are added for you.</span
          >{/if}
      </p>
    </div>

    <Frame {editor} {formula} />
    <div class="grid gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,22rem)_minmax(0,1fr)_18rem]">
      <div bind:this={list}>
        <h2 class="mb-1 text-lg">Steps</h2>
        <ol>
          {#each editor.steps as one, i (one.id)}
            <li class="border-b border-line {one.id === editor.picked ? 'bg-surface' : ''}">
              <button
                class="flex min-h-12 w-full items-baseline gap-2 px-2 py-1.5 text-left text-[16px]"
                aria-current={one.id === editor.picked ? 'step' : undefined}
                onclick={() => pick(one.id)}
              >
                <span class="w-6 shrink-0 text-right text-quiet">{i + 1}</span>
                <span class="grow {one.id === editor.picked ? 'font-bold' : ''}">{one.title}</span>
                <span class="whitespace-nowrap text-quiet">{figure(one.id)}</span>
              </button>
              {#each wrong(one.id) as f, i (i)}
                <p class="pb-1.5 pl-10 text-[15px] {f.blocks ? 'font-semibold text-raspberry' : ''}">
                  {f.text[0]?.toUpperCase()}{f.text.slice(1)}.
                </p>
              {/each}
            </li>
          {/each}
        </ol>
        <p class="mt-2 hidden text-[14px] text-quiet lg:block">
          Arrow keys choose a step, with Alt they move it, Delete takes it out, Ctrl+Z undoes.
        </p>
        <div class="mt-3">
          <Choice
            label="Add a step after this one"
            value=""
            options={editor.kinds.map((k) => ({ value: k.kind, label: k.kind }))}
            onvalue={(v) => editor.add(v)}
          />
        </div>
      </div>

      {#if step}
        <div bind:this={form} class="scroll-mt-36">
          <div class="flex flex-wrap gap-2">
            <button
              class="act act-small"
              disabled={editor.steps[0]?.id === step.id}
              onclick={() => editor.move(step.id, -1)}>Earlier</button
            >
            <button
              class="act act-small"
              disabled={editor.steps.at(-1)?.id === step.id}
              onclick={() => editor.move(step.id, 1)}>Later</button
            >
            <button class="act act-small" disabled={editor.steps.length < 2} onclick={() => editor.remove(step.id)}
              >Remove</button
            >
          </div>
          <p class="mt-2 text-quiet">{editor.kinds.find((k) => k.kind === step.kind)?.says}</p>
          <label class="mt-2 block font-semibold">
            Name
            <input
              class="field mt-1"
              maxlength="80"
              value={step.title}
              onchange={(e) => editor.set('title', e.currentTarget.value || step.kind)}
            />
          </label>
          <div class="mt-2 grid gap-x-4 gap-y-2 sm:grid-cols-2">
            <Choice
              label="In"
              value={step.vessel}
              options={formula.vessels.map((v) => ({ value: v.id, label: v.name }))}
              onvalue={(v) => editor.set('vessel', v)}
            />
            {#if formula.components.length}
              <Choice
                label="Part of"
                value={step.component ?? ''}
                options={formula.components.map((c) => ({ value: c.id, label: c.name }))}
                onvalue={(v) => editor.set('component', v)}
              />
            {/if}
          </div>
          <Portions {editor} {step} />
          {#if editor.kinds.find((k) => k.kind === step.kind)?.fields.length}
            <h3 class="mt-4 text-lg font-semibold">How</h3>
            <StepFields {editor} {step} />
          {/if}
          <label class="mt-3 block font-semibold">
            Note
            <textarea
              class="field mt-1 font-normal"
              maxlength="400"
              value={step.note ?? ''}
              onchange={(e) => editor.set('note', e.currentTarget.value)}></textarea>
          </label>
        </div>
      {/if}

      <aside class="transition-opacity {editor.checked.waiting ? 'opacity-60' : ''}" aria-label="Forecast">
        <h2 class="mb-1 text-lg">Then</h2>
        {#if ahead}
          {#if ahead.section}<Section section={ahead.section} width={280} height={180} />{/if}
          <p class="text-xl"><strong>{ahead.goal}</strong></p>
          <p class="text-[16px]">
            {length(ahead.duration_s.low)} to {length(ahead.duration_s.high)}{#if ahead.hold_s}; then it can wait
              {length(ahead.hold_s.likely)}{/if}
          </p>
          {#each ahead.cautions as c, i (i)}<p class="mt-2 border-l-[6px] border-raspberry pl-3 text-[15px]">
              <strong>{c.text}</strong>
            </p>{/each}
        {/if}
        {#each forecast?.warnings.filter((w) => w.step === step?.id) ?? [] as w, i (i)}
          <p class="mt-2 border-l-[6px] border-copper pl-3 text-[15px]"><strong>{w.text}</strong> {w.remedy}</p>
        {/each}
        <div class="mt-3">
          {#each forecast?.balance ?? [] as r (r.id + r.component + r.step)}<RatioBand ratio={r} />{/each}
        </div>
      </aside>
    </div>
  {/if}
</div>
