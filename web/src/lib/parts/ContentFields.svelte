<script lang="ts">
  import QuantityField from './QuantityField.svelte';
  import SlideField from './SlideField.svelte';

  type Content = { mass_g: number; density_g_per_ml: number };
  /** How much of a content there is and what a millilitre of it weighs. `content` is changed in place. */
  type Props = { label: string; content: Content; low: number; high: number };
  let { label, content = $bindable(), low, high }: Props = $props();
</script>

<QuantityField
  {label}
  wanted="mass"
  unit="g"
  step={10}
  least={1}
  value={content.mass_g}
  onvalue={(v) => (content.mass_g = v)}
/>
<SlideField
  label="Density"
  value={content.density_g_per_ml}
  {low}
  {high}
  step={0.01}
  shown="{content.density_g_per_ml.toFixed(2)} g/ml"
  onvalue={(v) => (content.density_g_per_ml = v)}
/>
