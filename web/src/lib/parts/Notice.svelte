<script lang="ts">
  import type { Problem } from '../api/client';

  type Props = { problem: Problem; onclose?: () => void };
  let { problem, onclose }: Props = $props();
</script>

<div role="alert" class="flex items-start gap-4 border-l-4 border-raspberry bg-surface px-4 py-3">
  <p class="grow">
    <strong>{problem.detail}</strong>
    {#if problem.remedy}<span class="text-quiet">{problem.remedy}</span>{/if}
  </p>
  {#if onclose}<button class="min-h-11 px-2 font-semibold underline" onclick={onclose}>Close</button>{/if}
</div>
