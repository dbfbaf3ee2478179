<script lang="ts">
  import type { Schemas, StepForecast } from '../../lib/api/client';
  import BakeCurve from '../../lib/draw/BakeCurve.svelte';
  import Band from '../../lib/draw/Band.svelte';
  import Stages from '../../lib/draw/Stages.svelte';
  import Rescues from '../../lib/parts/Rescues.svelte';
  import FoldLadder from '../../lib/draw/FoldLadder.svelte';
  import Pattern from '../../lib/draw/Pattern.svelte';
  import Section from '../../lib/draw/Section.svelte';
  import SideBySide from '../../lib/draw/SideBySide.svelte';
  import Additions from '../../lib/parts/Additions.svelte';
  import BakeTold from '../../lib/parts/BakeTold.svelte';
  import CoolGates from '../../lib/parts/CoolGates.svelte';
  import GoesTo from '../../lib/parts/GoesTo.svelte';
  import ReadyNow from '../../lib/parts/ReadyNow.svelte';
  import { p } from '../../routes';
  import { celsius, grams, litres, origin } from '../../lib/figures.svelte';
  import { length } from '../../lib/time';

  type Props = { step: StepForecast; fold?: Schemas['FoldCourse'] | null; formula?: string };
  let { step, fold = null, formula = '' }: Props = $props();
  const own = $derived(fold?.additions.filter((a) => a.step === step.id) ?? []);
  const before = $derived(fold?.additions.findIndex((a) => a.step === step.id) ?? 0);
</script>

<div
  class="mt-4 grid gap-x-10 gap-y-4 border-t-2 border-ink pt-4 lg:grid-cols-[minmax(0,1fr)_22rem_24rem]"
  aria-live="polite"
>
  <div class="space-y-2 text-[17px]">
    <h3 class="font-display text-2xl font-semibold">
      {step.title}{#if step.setup}<span class="font-sans text-lg font-normal text-quiet">, {step.setup}</span>{/if}
    </h3>
    <p><strong>{step.do}</strong> <span class="text-quiet">{step.why}</span></p>
    <p class="text-quiet">
      {step.inputs.map((i) => `${grams(i.grams)} ${i.ingredient ? i.name : `from “${i.name}”`}`).join(', ')}
    </p>
    <p>
      {length(step.duration_s.low)} to {length(step.duration_s.high)}, likely
      <strong>{length(step.duration_s.likely)}</strong>
      <span class="text-quiet">({origin(step.duration_s)}); hands: {step.attention}</span>
    </p>
    {#if step.hold_s}<p>
        Then it can wait <strong>{length(step.hold_s.likely)}</strong>
        <span class="text-quiet">({origin(step.hold_s)}). {step.hold_why}</span>
      </p>{/if}
    {#if step.goes.length > 1}<GoesTo goes={step.goes} />{/if}
    {#if step.ready}<ReadyNow ready={step.ready} />{/if}
    {#if step.ageing}<p class="text-quiet">
        Too long: {step.ageing.sign}
        {step.ageing.restores}
        {step.ageing.limit}
      </p>{/if}
    {#if own.length > 0}<Additions additions={own} first={before + 1} />{/if}
    {#each step.cues as cue (cue.id)}<p>
        After about {length(cue.after_s.likely)}: <strong>{cue.do}</strong>, {cue.look}.
      </p>{/each}
    {#if step.passes.length > 0 || step.over_s}<Stages {step} />{/if}
    {#if step.bake}<BakeTold {step} running={false} />{/if}
    {#if step.gates.length > 0}<CoolGates gates={step.gates} />{/if}
    {#if step.rescues.length > 0}<Rescues rescues={step.rescues} />{/if}
    {#each step.cautions as c (c.id)}<p class="border-l-[6px] border-raspberry pl-4">
        <strong>{c.text}</strong> <span class="text-quiet">{c.reason} {c.defers}</span>
      </p>{/each}
  </div>
  <div>
    {#if step.before.length > 0 && step.section}
      <SideBySide before={step.before} after={step.section} then="after" width={340} height={150} />
    {:else if step.section}<Section section={step.section} width={340} height={210} />{/if}
    {#if step.bake}
      <BakeCurve
        curve={step.bake.curve}
        done={step.bake.done_s}
        doneC={step.bake.done_c}
        look={step.bake.first_look_s}
        turn={step.bake.turn_s?.likely}
        cover={step.bake.cover_s?.likely}
        thin={!step.checkpoints.some((c) => c.band)}
        height={230}
      />
      {#if formula}<a class="act act-small mt-2" href="{p('/book/bake')}?formula={formula}">What would change it</a
        >{/if}
    {/if}
    {#if step.pattern}<Pattern pattern={step.pattern} size={150} />{/if}
    {#if step.material.mass_g > 0}<p class="text-quiet">
        {grams(step.material.mass_g)}, {litres(step.material.volume_ml.likely)}, about {celsius(
          step.material.temperature_c,
        )}
      </p>{/if}
  </div>
  <div class="space-y-4">
    {#if fold}<FoldLadder
        base={fold.base_g_per_ml}
        foam={fold.foam_g_per_ml}
        additions={fold.additions}
        current={step.id}
      />{/if}
    {#each step.bake ? step.checkpoints.slice(0, 1) : step.checkpoints as c (c.id)}
      <div>
        <p><strong>{c.name}.</strong> {c.sees}</p>
        {#if c.band}<div class="mt-2"><Band band={c.band} /></div>{/if}
      </div>
    {/each}
  </div>
</div>
