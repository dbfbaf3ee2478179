<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import type { Schemas } from '../api/client';
  import { fromTo } from '../figures.svelte';

  /** What would change the time, each as a bar from the bake's own minutes: left is sooner, right later. */
  type Props = {
    answers: Schemas['AnswerView'][];
    base: number;
    chosen: string | null;
    onchoose: (id: string) => void;
  };
  let { answers, base, chosen, onchoose }: Props = $props();

  let width = $state(420);
  const told = $derived(answers.filter((a) => a.more_min != null));
  const reach = $derived(Math.max(5, ...told.map((a) => Math.abs(a.more_min!))));
  const x = $derived(scaleLinear([-reach, reach], [6, width - 6]).clamp(true));
  const sign = (v: number) => (Math.abs(v) < 0.5 ? '±0' : v > 0 ? `+${Math.round(v)}` : `−${Math.round(-v)}`);
</script>

<ul bind:clientWidth={width} class="w-full [contain:inline-size]">
  {#each answers as answer (answer.id)}
    {@const more = answer.more_min ?? 0}
    <li class="border-t border-line">
      <button
        class="block min-h-14 w-full py-1 text-left"
        aria-expanded={chosen === answer.id}
        onclick={() => onchoose(answer.id)}
      >
        <span class="flex items-baseline justify-between gap-3 text-[16px] leading-tight">
          <strong>{answer.asks}</strong>
          <span class="whitespace-nowrap">
            {#if answer.minutes}<strong class="text-[19px]">{Math.round(answer.minutes.likely)} min</strong>
              <span class="text-quiet">{sign(more)}</span>{:else}never done{/if}
          </span>
        </span>
        {#if answer.minutes}
          <svg {width} height="14" aria-hidden="true">
            <line x1="0" x2={width} y1="7" y2="7" stroke="var(--line)" />
            <rect
              x={Math.min(x(0), x(more))}
              y="2"
              width={Math.max(2, Math.abs(x(more) - x(0)))}
              height="10"
              fill={more > 0 ? 'var(--ink)' : 'var(--metal)'}
            />
            <line x1={x(0)} x2={x(0)} y1="0" y2="14" stroke="var(--ink)" stroke-width="2" />
          </svg>
        {/if}
      </button>
      {#if chosen === answer.id}
        <div class="pb-2 text-[16px]">
          {#if answer.cannot}<p class="text-raspberry">{answer.cannot}</p>{/if}
          {#if answer.minutes}
            <p>
              {Math.round(answer.minutes.low)} to {Math.round(answer.minutes.high)} min, first look at {Math.round(
                answer.first_look_min!,
              )}{answer.turn_min == null
                ? ', not to be turned'
                : `, turn at ${fromTo(answer.turn_min)}`}{answer.cover_min == null
                ? ''
                : `, cover at ${fromTo(answer.cover_min)}`}. {answer.says}
            </p>
          {/if}
          <p class="text-quiet">{answer.why}</p>
          {#each answer.risks as risk (risk.kind)}
            <p class="border-l-4 border-copper pl-3">
              <strong>{risk.kind}:</strong>
              {risk.why} <span class="text-quiet">{risk.lever}</span>
            </p>
          {/each}
        </div>
      {/if}
    </li>
  {/each}
</ul>
<p class="text-[14px] text-quiet">
  Against {Math.round(base)} min as it stands; each by the model, from the same timed bake.
</p>
