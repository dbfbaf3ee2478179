<script lang="ts">
  import type { Schemas } from '../../../lib/api/client';
  import OneOf from '../../../lib/parts/OneOf.svelte';
  import type { Otherwise } from './otherwise.svelte';

  type Props = { otherwise: Otherwise; could: Schemas['Could'] };
  let { otherwise, could }: Props = $props();

  type Keep = Schemas['ThereNow']['keep'];
  const KEEPS: Keep[] = ['cold', 'frozen', 'as it is', 'lost'];
  let hours = $state('14');
  // svelte-ignore state_referenced_locally
  let keep = $state<Record<string, Keep>>(Object.fromEntries(could.standing.map((s) => [s.step, s.keep])));
  const long = $derived(Number(hours.replace(',', '.')));
  const right = $derived(long >= 0.2 && long <= 96);
  const until = $derived.by(() => (right ? new Date(otherwise.openedAt + long * 3600_000).toISOString() : null));

  $effect(() => otherwise.change(until ? { change: 'paused', until, keep: { ...keep } } : null));
</script>

<div class="space-y-4">
  <label class="block font-semibold"
    >Go on in so many hours<input class="field mt-1" inputmode="decimal" bind:value={hours} /></label
  >
  {#if !right}<p class="text-quiet">From a quarter of an hour to four days.</p>{/if}
  {#each could.standing as s (s.step)}
    <div class="border-t border-line pt-1">
      <p>
        <strong>{s.title}</strong>
        <span class="text-quiet">in the {s.where}{s.running ? ', still running' : ''}</span>
      </p>
      <OneOf
        label="What becomes of “{s.title}”"
        all={KEEPS}
        now={keep[s.step] ?? s.keep}
        onchoose={(one) => (keep = { ...keep, [s.step]: one })}
      />
    </div>
  {:else}<p class="text-quiet">Nothing stands that would have to be kept.</p>{/each}
  <p class="text-[15px] text-quiet">
    What holds egg, milk or cream goes into the cold at once, covered, with its date. How long it may be kept is for
    local food-safety rules and trained staff to say.
  </p>
</div>
