<script lang="ts">
  import type { Schemas } from '../api/client';

  type Props = { shape: Schemas['PaperDrawing']; width?: number; height?: number };
  let { shape, width = 220, height = 150 }: Props = $props();
  const scale = $derived(Math.min((width - 6) / shape.width_mm, (height - 6) / shape.height_mm));
  const pen = $derived(1.6 / scale);
</script>

<svg
  width={shape.width_mm * scale + 6}
  height={shape.height_mm * scale + 6}
  viewBox="{-3 / scale} {-3 / scale} {shape.width_mm + 6 / scale} {shape.height_mm + 6 / scale}"
  role="img"
  aria-label="{shape.name}: {shape.size}"
  class="block max-w-full"
>
  {#each shape.cuts as points, i (i)}
    {#if i === 0}<polygon {points} fill="var(--surface)" stroke="var(--ink)" stroke-width={pen} />
    {:else if points.split(' ').length > 2}<polygon
        {points}
        fill="var(--ground)"
        stroke="var(--ink)"
        stroke-width={pen}
      />
    {:else}<polyline {points} fill="none" stroke="var(--ink)" stroke-width={pen} />{/if}
  {/each}
  {#each shape.folds as points, i (i)}
    <polyline
      {points}
      fill="none"
      stroke="var(--quiet)"
      stroke-width={pen}
      stroke-dasharray="{4 / scale} {4 / scale}"
    />
  {/each}
</svg>
