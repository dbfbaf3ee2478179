<script lang="ts">
  import type { Schemas } from '../../lib/api/client';
  import Differences from '../../lib/parts/Differences.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import Sheet from '../../lib/parts/Sheet.svelte';
  import { Proposal } from './proposal.svelte';

  /** Another way for a step: its meringue by a method, or its fold by a school. */
  type Wanted = { step: string; method: Schemas['Method'] } | { step: string; school: Schemas['FoldSchool'] };
  type Props = { formula_id: string; wanted: Wanted | null; ontaken: () => void };
  let { formula_id, wanted = $bindable(), ontaken }: Props = $props();

  const proposal = $derived(new Proposal(formula_id));
  $effect(() => {
    proposal.clear();
    if (!wanted) return;
    void ('method' in wanted ? proposal.method(wanted.step, wanted.method) : proposal.fold(wanted.step, wanted.school));
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
  title={wanted && 'school' in wanted ? `The fold, ${wanted.school}` : `The meringue, ${wanted?.method ?? ''}`}
  description="Everything that follows from it, before it is taken. Earlier versions stay."
>
  {#if proposal.problem}<Notice problem={proposal.problem} />{/if}
  {#if proposal.value}
    <Differences differences={proposal.value.differences} />
    <button class="act act-now mt-5" onclick={() => void take()}>Save as the next version</button>
  {/if}
</Sheet>
