<script lang="ts">
  import type { Schemas } from '../api/client';
  import { grams } from '../figures.svelte';

  /** What can be brought back when something is wrong, and what can't; at the bench each is one tap. */
  type Props = {
    rescues: Schemas['Rescue'][];
    ondone?: (rescue: Schemas['Rescue']) => void;
    onagain?: () => void;
  };
  let { rescues, ondone, onagain }: Props = $props();
</script>

<details class="text-[17px]">
  <summary class="flex min-h-14 cursor-pointer items-center font-semibold underline">Something looks wrong</summary>
  <dl class="space-y-2 pb-2">
    {#each rescues as rescue (rescue.sign)}
      <div>
        <dt class="font-semibold">{rescue.sign}{rescue.can ? '' : ': not to be saved'}</dt>
        <dd>
          {rescue.do}{#if rescue.grams > 0}
            <strong>{grams(rescue.grams)} here.</strong>{/if} <span class="text-quiet">{rescue.limit}</span>
          {#if rescue.can && ondone}<button
              class="-my-2 min-h-14 px-2 font-semibold underline"
              onclick={() => ondone(rescue)}>Did that</button
            >{:else if !rescue.can && onagain}<button
              class="-my-2 min-h-14 px-2 font-semibold underline"
              onclick={onagain}>Begin again</button
            >{/if}
        </dd>
      </div>
    {/each}
  </dl>
</details>
