<script lang="ts">
  import type { StepForecast } from '../../lib/api/client';
  import { grams } from '../../lib/figures.svelte';
  import Choice from '../../lib/parts/Choice.svelte';
  import { length } from '../../lib/time';
  import type { ReadingIn } from './reading.svelte';
  import StepFields from './StepFields.svelte';

  type Props = { reading: ReadingIn; step: StepForecast };
  let { reading, step }: Props = $props();

  const own = $derived(reading.step);
  const told = $derived(reading.sentences.filter((r) => r.steps?.includes(step.id)));
  const at = $derived(reading.sentences.findIndex((r) => r.text === told.at(-1)?.text));
  const earlier = $derived(reading.sentences.slice(0, Math.max(at, 0)).filter((r) => r.steps?.length));
  const about = $derived(reading.byHand.meant.find((m) => m.sentence === told.at(-1)?.text)?.of ?? '');
  const fields = $derived(reading.kinds.find((k) => k.kind === step.kind)?.fields.length ?? 0);
  const short = (text: string) => (text.length > 64 ? `${text.slice(0, 62)}…` : text);
</script>

<section class="mt-4 border-t-2 border-ink pt-3" aria-label="The step and its sentence">
  <h3 class="font-display text-xl font-semibold">{step.title}</h3>
  {#if own?.assumed}
    <p class="my-1 border-l-[6px] border-metal pl-3">
      <strong>Assumed.</strong>
      {own.assumed}
      <button class="act act-small ml-2" onclick={() => reading.leaveOut(step.id)}>Leave it out</button>
    </p>
  {/if}
  {#each told as row (row.text)}<p class="text-quiet">“{row.text}”</p>{/each}
  <p class="mt-1"><strong>{step.do}</strong> <span class="text-quiet">{step.why}</span></p>
  <p class="text-quiet">
    {step.inputs.map((i) => `${grams(i.grams)} ${i.ingredient ? i.name : `from “${i.name}”`}`).join(', ')};
    {length(step.duration_s.likely)}
  </p>
  {#each step.cautions as c (c.id)}<p class="mt-1 border-l-[6px] border-raspberry pl-3">
      <strong>{c.text}</strong> <span class="text-quiet">{c.reason} {c.defers}</span>
    </p>{/each}
  {#if told.length && earlier.length}
    <div class="mt-2">
      <Choice
        label="What this sentence is about"
        value={about}
        options={[
          { value: '', label: 'as it was read' },
          ...earlier.map((r) => ({ value: r.text, label: `what “${short(r.text)}” made` })),
        ]}
        onvalue={(of) => reading.means(told.at(-1)!.text, of)}
      />
    </div>
  {/if}
  {#if own && fields > 0}
    <details class="mt-2">
      <summary class="min-h-11 cursor-pointer py-2 font-semibold">Correct it</summary>
      <StepFields editor={reading} step={own} />
    </details>
  {/if}
</section>
