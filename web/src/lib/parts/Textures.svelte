<script lang="ts">
  import type { Schemas } from '../api/client';
  import { origin } from '../figures.svelte';

  /** From when on a drying meringue is crusted, leathery, dry through. */
  type Props = { textures: Schemas['Texture'][] };
  let { textures }: Props = $props();

  const min = (s: number) => Math.round(s / 60);
</script>

{#if textures.length > 0}
  <dl class="grid grid-cols-[auto_minmax(0,1fr)] gap-x-4 text-[17px]" aria-label="As it dries">
    {#each textures as texture (texture.name)}
      <dt class="text-right font-semibold">{min(texture.from_s.likely)} min</dt>
      <dd>
        {texture.name}
        <span class="text-quiet">({min(texture.from_s.low)} to {min(texture.from_s.high)} min)</span>
      </dd>
    {/each}
  </dl>
  <p class="text-[15px] text-quiet">Judged cold; {origin(textures[0]!.from_s)}.</p>
{/if}
