<script lang="ts">
  import { scaleSymlog } from 'd3-scale';
  import type { Schemas } from '../../lib/api/client';
  import { ago } from './keeping.svelte';

  type Props = { copies: Schemas['CopyView'][]; dueAt: string | null; now: number };
  let { copies, dueAt, now }: Props = $props();

  const DAY = 86_400_000;
  const TICKS: [number, string][] = [
    [0, 'now'],
    [1, 'a day'],
    [7, 'a week'],
    [30, 'a month'],
    [365, 'a year'],
  ];
  let width = $state(600);
  const days = (at: string) => Math.max(0, (now - Date.parse(at)) / DAY);
  // Near ones apart, old ones close together: as they stay.
  const x = $derived(scaleSymlog([400, 0], [16, width - 16]).constant(0.4));
</script>

<div class="min-w-0 overflow-hidden" bind:clientWidth={width}>
  <svg {width} height="64" role="img" aria-label="{copies.length} backups by their age">
    <line x1={x(400)} x2={x(0)} y1="26" y2="26" stroke="var(--line)" stroke-width="2" />
    {#each TICKS as [age, name] (age)}
      <line x1={x(age)} x2={x(age)} y1="19" y2="33" stroke="var(--line)" stroke-width="2" />
      <text x={x(age)} y="54" text-anchor={age === 0 ? 'end' : 'middle'} class="text-[14px]" fill="var(--quiet)"
        >{name}</text
      >
    {/each}
    {#each copies as copy (copy.name)}
      <circle cx={x(days(copy.made_at))} cy="26" r="8" fill="var(--leaf)" stroke="var(--surface)" stroke-width="2">
        <title>{ago(copy.made_at, now)}</title>
      </circle>
    {/each}
    {#if dueAt && Date.parse(dueAt) <= now}
      <circle cx={x(0)} cy="26" r="7" fill="none" stroke="var(--copper)" stroke-width="3"><title>due</title></circle>
    {/if}
  </svg>
</div>
