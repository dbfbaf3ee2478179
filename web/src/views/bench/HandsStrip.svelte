<script lang="ts">
  import { api, ask, type Schemas } from '../../lib/api/client';
  import { now } from '../../lib/now.svelte';
  import { regularly } from '../../lib/regularly';
  import { clock, soon } from '../../lib/time';
  import { navigate, p } from '../../routes';

  /** Where several bakes run: which of them needs a hand next, and where two want the same pair at once. */
  type Props = { here: string; sequence: number };
  let { here, sequence }: Props = $props();

  const AGAIN_MS = 20_000;
  const SOON_MS = 400;
  let told = $state<Schemas['HandsView'] | null>(null);

  async function load(): Promise<void> {
    told = await ask(api.GET('/api/bakes/hands')).catch(() => told);
  }
  $effect(() => {
    void sequence;
    return regularly(load, AGAIN_MS, SOON_MS);
  });
  /** To the bake that wants hands first, or from that one to the next. */
  export function go(): void {
    const ids = told?.next.map((one) => one.bake) ?? [];
    const bake = ids[(ids.indexOf(here) + 1) % Math.max(1, ids.length)];
    if (bake && bake !== here) void navigate('/bench/:bake', { params: { bake } });
  }

  const others = $derived(told && told.next.length > 1 ? told : null);
</script>

{#if others}
  <nav class="border-b border-line bg-surface px-4 sm:px-6" aria-label="Bakes that run">
    <ul class="flex flex-wrap gap-x-6">
      {#each others.next as one, i (one.bake)}
        <li>
          <a
            class="flex min-h-14 items-center gap-2 leading-tight"
            aria-current={one.bake === here ? 'page' : undefined}
            href={p('/bench/:bake', { params: { bake: one.bake } })}
          >
            {#if i === 0}<svg width="16" height="16" aria-hidden="true"
                ><circle cx="8" cy="8" r="6.5" fill="var(--yolk)" stroke="var(--ink)" stroke-width="1.5" /></svg
              >{/if}
            <span
              ><strong class={one.bake === here ? 'underline decoration-[3px] underline-offset-4' : ''}
                >{one.title}</strong
              ><br /><span class="text-[15px] text-quiet"
                >{soon(one.start_at, now.value)}: {one.step_title}{one.hands_name
                  ? `, ${one.hands_name}`
                  : ''}{one.presses ? ', can’t wait' : ''}</span
              ></span
            >
          </a>
        </li>
      {/each}
    </ul>
    {#each others.clashes.slice(0, 2) as clash (clash.first.bake + clash.first.step + clash.other.bake + clash.other.step)}
      <p role="status" class="border-l-[6px] border-copper py-0.5 pl-3 text-[16px]">
        <strong>{clock(clash.other.start_at)}:</strong>
        {clash.says}
      </p>
    {/each}
  </nav>
{/if}
