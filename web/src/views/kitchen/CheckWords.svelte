<script lang="ts">
  import { api, ask, type Kitchen, type Schemas } from '../../lib/api/client';
  import { Asking } from '../../lib/asking.svelte';
  import { celsiusExactly, units } from '../../lib/figures.svelte';

  /** What a thermometer's check means for a reading near a firm ball. */
  type Props = { own: Schemas['Thermometer']; kitchen: Kitchen };
  let { own, kitchen }: Props = $props();

  const READS_C = 118;
  const right = new Asking<Schemas['Corrected']>();
  $effect(() => {
    const query = {
      reading_c: READS_C,
      ice_c: own.check.ice_c ?? undefined,
      boiling_c: own.check.boiling_c ?? undefined,
      kpa: kitchen.measured_kpa ?? undefined,
      altitude_m: kitchen.altitude_m,
    };
    right.ask(() => ask(api.GET('/api/craft/thermometer', { params: { query } })), 300);
  });
  const checked = $derived(own.check.ice_c != null || own.check.boiling_c != null);
</script>

{#if right.problem}
  <p class="font-semibold text-raspberry">{right.problem.detail} {right.problem.remedy}</p>
{:else if right.value?.odd}
  <p class="font-semibold text-raspberry">{right.value.odd}</p>
{:else if right.value}
  <p class="text-[16px]">
    {#if checked}
      When it shows {celsiusExactly(READS_C)} it is <strong>{celsiusExactly(right.value.celsius)}</strong>, to within {(
        (right.value.off_k.high - right.value.off_k.likely) *
        (units.system === 'us' ? 1.8 : 1)
      ).toFixed(1)}
      {units.system === 'us' ? '°F' : '°C'}{own.checked_on ? `; checked on ${own.checked_on}` : ''}.
    {:else}Not checked yet: it may be {(right.value.off_k.high * (units.system === 'us' ? 1.8 : 1)).toFixed(0)}
      {units.system === 'us' ? '°F' : '°C'} off, either way.{/if}
    <span class="text-quiet">Water boils at {celsiusExactly(right.value.water_boils_c)} here.</span>
  </p>
{/if}
