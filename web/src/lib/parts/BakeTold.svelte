<script lang="ts">
  import type { StepForecast } from '../api/client';
  import Textures from './Textures.svelte';

  /** What to know of a bake beforehand and at the look: signs, what looks wrong and is right, risks, and what follows. */
  type Props = { step: StepForecast; running: boolean };
  let { step, running }: Props = $props();

  const bake = $derived(step.bake!);
  /** The first is said large already. */
  const signs = $derived(step.checkpoints.slice(1));
</script>

<Textures textures={bake.textures} />
{#if bake.looks_wrong.length > 0}
  <p class="text-[17px]"><strong>Looks wrong, is right:</strong> {bake.looks_wrong.join(' ')}</p>
{/if}
{#if signs.length > 0}
  <details open={running} class="text-[17px]">
    <summary class="min-h-11 cursor-pointer py-2 font-semibold"
      >How to tell: {signs.map((s) => s.name.toLowerCase()).join(', ')}</summary
    >
    <dl class="grid gap-x-4 gap-y-1 sm:grid-cols-[max-content_minmax(0,1fr)]">
      {#each signs as sign (sign.id)}
        <dt class="font-semibold">{sign.name}</dt>
        <dd>
          {sign.sees}
          <span class="text-quiet">Not yet: {sign.not_yet}{sign.too_far ? ` Too far: ${sign.too_far}` : ''}</span>
        </dd>
      {/each}
    </dl>
  </details>
{/if}
{#if bake.risks.length > 0}<p class="text-[15px] text-quiet">At risk, by the model:</p>{/if}
{#each bake.risks as risk (risk.kind)}
  <p class="border-l-[6px] border-copper pl-4 text-[16px] leading-snug">
    <strong>{risk.kind}:</strong>
    {risk.why} <span class="text-quiet">{risk.lever}</span>
  </p>
{/each}
<div class="text-[17px]">
  <p class="font-semibold">Straight after</p>
  <ol class="list-decimal pl-6">
    {#each bake.after as next (next.id)}
      <li><strong>{next.do}</strong> <span class="text-quiet">{next.prevents}</span></li>
    {/each}
  </ol>
</div>
