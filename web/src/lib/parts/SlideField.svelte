<script lang="ts">
  import { Slider } from 'bits-ui';

  type Props = {
    label: string;
    value: number;
    low: number;
    high: number;
    step: number;
    shown: string;
    onvalue: (value: number) => void;
  };
  let { label, value, low, high, step, shown, onvalue }: Props = $props();
</script>

<div>
  <p class="flex justify-between">
    <span class="font-semibold">{label}</span><span class="shrink-0 pl-2 text-lg font-bold whitespace-nowrap"
      >{shown}</span
    >
  </p>
  <Slider.Root
    type="single"
    min={low}
    max={high}
    {step}
    {value}
    onValueChange={onvalue}
    class="relative flex h-12 touch-none items-center"
  >
    <span class="relative h-2 grow rounded-full bg-line">
      <Slider.Range class="absolute h-full rounded-full bg-ink" />
    </span>
    <Slider.Thumb
      index={0}
      class="block size-8 rounded-full border-2 border-ink bg-surface"
      aria-label={label}
      aria-valuetext={shown}
    />
  </Slider.Root>
</div>
