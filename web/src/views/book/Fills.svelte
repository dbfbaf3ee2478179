<script lang="ts">
  import type { ForecastView } from '../../lib/api/client';
  import Section from '../../lib/draw/Section.svelte';
  import PipedTray from '../../lib/parts/PipedTray.svelte';
  import { PAPERS } from '../../lib/template';
  import { paperOf } from '../tins/tins.svelte';
  import { grams, origin } from '../../lib/figures.svelte';

  type Props = { forecast: ForecastView };
  let { forecast }: Props = $props();

  const lead = $derived(
    forecast.steps.find((s) => (s.kind === 'fill' || s.kind === 'pipe') && s.section?.name === forecast.fills[0]?.name)
      ?.section ?? null,
  );
  const piped = $derived(forecast.steps.find((s) => s.deposit && s.section?.name === forecast.fills[0]?.name) ?? null);
  const mm = (value: number) => Math.round(value);
  const minutes = (m: { low: number; likely: number; high: number }) =>
    `${mm(m.likely)} min (${mm(m.low)} to ${mm(m.high)})`;
  const deeper = $derived.by(() => {
    const d = forecast.depth;
    if (!d || Math.abs(d.now_mm - d.own_mm) < 1.5) return null;
    return d;
  });
</script>

{#if lead}
  <figure>
    <figcaption class="mt-2 font-semibold text-quiet">
      {lead.count > 1 ? `${lead.count} × ` : ''}{lead.name}
    </figcaption>
    <Section section={lead} width={366} height={200} />
    {#if lead.rise_mm}<p class="mt-1 text-sm text-quiet">Rise: {origin(lead.rise_mm)}.</p>{/if}
  </figure>
{/if}
<ul class="mt-1 text-[16px]">
  {#each forecast.fills as fill, i (i)}
    <li class="border-t border-line py-1">
      <strong>{fill.count} × {fill.name}</strong>{#if fill.trays}, on {fill.trays}
        {fill.trays === 1 ? 'tray' : 'trays'}{/if}: {grams(fill.grams)}{fill.count > 1 ? ' each' : ''}{#if !fill.trays}, {mm(
          fill.level_mm,
        )} of {mm(fill.rim_mm)} mm{/if}{#if fill.minutes}, in the oven {minutes(fill.minutes)}{/if}
    </li>
  {/each}
</ul>
{#if piped}<PipedTray step={piped} width={260} height={240} />{/if}
{#if forecast.tin && !forecast.fills[0]?.trays}
  <p class="mt-1 text-[16px] text-quiet">
    Paper for it, at true scale:
    {#each PAPERS as { words, format, paper } (words)}<a
        class="mr-2 inline-flex min-h-11 items-center underline"
        href={paperOf({ name: forecast.tin_name, tin: forecast.tin }, format, paper)}
        target="_blank"
        rel="noopener">{words}</a
      >{/each}
  </p>
{/if}
{#if deeper}
  <p class="mt-1 border-l-[6px] border-copper pl-3 text-[16px]">
    {deeper.now_mm > deeper.own_mm ? 'Deeper' : 'Shallower'} than the formula’s own {mm(deeper.own_mm)} mm: about
    {minutes(deeper.now_minutes)} instead of {mm(deeper.own_minutes)} min.
    <span class="text-quiet">By the model; look early.</span>
  </p>
{/if}
