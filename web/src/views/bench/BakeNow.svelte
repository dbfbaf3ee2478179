<script lang="ts">
  import type { Schemas, StepDetail } from '../../lib/api/client';
  import { celsius } from '../../lib/figures.svelte';
  import { now } from '../../lib/now.svelte';
  import { countdown, remaining, until } from '../../lib/time';
  import Figures from './Figures.svelte';

  /** A bake as the probe in its middle tells it. `read` is the moment of the state. */
  type Props = { watch: Schemas['Watch']; detail: StepDetail; read: string };
  let { watch, detail, read }: Props = $props();

  const crumb = $derived(watch.crumb!);
  const outlook = $derived(detail.outlook);
  const left = $derived(
    watch.left_s
      ? remaining(watch.left_s, read, now.value)
      : outlook && !crumb.strange
        ? {
            low: Math.max(0, until(outlook.low_at, now.value)),
            likely: Math.max(0, until(outlook.likely_at, now.value)),
            high: Math.max(0, until(outlook.high_at, now.value)),
          }
        : null,
  );
  const pace = $derived(crumb.faster == null ? 0 : Math.round(100 * (crumb.faster - 1)));
  const look = $derived(outlook?.look_at ? until(outlook.look_at, now.value) : null);
</script>

<Figures
  temperature={watch.now_c}
  about={['in the middle', watch.beside_c == null ? '' : `oven ${celsius(watch.beside_c)}`].filter(Boolean).join(', ')}
  target={detail.column?.target_c ?? 0}
  {left}
  why={crumb.strange ? 'cannot tell' : crumb.why}
/>
{#if crumb.strange}
  <p class="border-l-[6px] border-copper pl-4 text-[17px] leading-snug">
    <strong>{crumb.why}</strong>
    <span class="text-quiet">Move it to the thickest place; the clock goes on as planned.</span>
  </p>
{:else}
  <p class="text-[17px]">
    {#if look !== null && look > 0}<strong>Door shut: look first in {countdown(look)}.</strong>{:else}<strong
        class="text-copper">Look now.</strong
      >{/if}
    <span class="text-quiet"
      >{#if !watch.left_s}{crumb.why} Until then, as planned.{:else if Math.abs(pace) >= 3}From its own readings {Math.abs(
          pace,
        )} %
        {pace > 0 ? 'slower' : 'faster'} than expected.{:else}As expected.{/if}</span
    >
  </p>
{/if}
