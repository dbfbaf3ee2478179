<script lang="ts">
  import type { Schemas } from '../api/client';
  import { grams } from '../figures.svelte';

  /** How a cream, batter or mousse is shared out: told before it is whipped. */
  type Props = { goes: Schemas['GoesTo'][] };
  let { goes }: Props = $props();
</script>

<p class="text-[17px]">
  {#each goes as one, i (i)}{i > 0 ? ', ' : ''}<strong>{grams(one.grams)}</strong> ({Math.round(100 * one.share)} %) to “{one.title}”{/each}.
</p>
