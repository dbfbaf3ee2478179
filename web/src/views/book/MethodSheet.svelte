<script lang="ts">
  import type { Schemas } from '../../lib/api/client';
  import Differences from '../../lib/parts/Differences.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import Sheet from '../../lib/parts/Sheet.svelte';
  import { Proposal } from './proposal.svelte';

  type Wanted = { step: string; method: Schemas['Method'] };
  type Props = { formula_id: string; wanted: Wanted | null; ontaken: () => void };
  let { formula_id, wanted = $bindable(), ontaken }: Props = $props();

  const proposal = $derived(new Proposal(formula_id));
  $effect(() => {
    proposal.clear();
    if (wanted) void proposal.method(wanted.step, wanted.method);
  });

  async function take(): Promise<void> {
    if (await proposal.take()) {
      wanted = null;
      ontaken();
    }
  }
</script>

<Sheet
  bind:open={() => wanted !== null, (open) => (wanted = open ? wanted : null)}
  title="The meringue, {wanted?.method ?? ''}"
  description="Everything that follows from it, before it is taken. Earlier versions stay."
>
  {#if proposal.problem}<Notice problem={proposal.problem} />{/if}
  {#if proposal.value}
    <Differences differences={proposal.value.differences} />
    <button class="act act-now mt-5" onclick={() => void take()}>Take it as the next version</button>
  {/if}
</Sheet>
