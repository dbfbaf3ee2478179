<script lang="ts">
  import type { Schemas } from '../api/client';

  /** What can be brought back when something is wrong, and what can't. */
  type Props = { rescues: Schemas['Rescue'][] };
  let { rescues }: Props = $props();
</script>

<details class="text-[17px]">
  <summary class="flex min-h-14 cursor-pointer items-center font-semibold underline">Something looks wrong</summary>
  <dl class="space-y-2 pb-2">
    {#each rescues as rescue (rescue.sign)}
      <div>
        <dt class="font-semibold">{rescue.sign}{rescue.can ? '' : ': not to be saved'}</dt>
        <dd>{rescue.do} <span class="text-quiet">{rescue.limit}</span></dd>
      </div>
    {/each}
  </dl>
</details>
