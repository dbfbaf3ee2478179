<script lang="ts">
  import Choice from '../../lib/parts/Choice.svelte';
  import type { LogPages, Sought } from './log.svelte';

  type Props = { pages: LogPages };
  let { pages }: Props = $props();

  const LESS = ['class', 'oven', 'hands', 'since', 'until'] as const;
  let open = $state(false);
  const more = $derived(open || LESS.some((k) => pages.sought[k] !== ''));
  type Options = { value: string; words: string }[];
  const options = (all: Options | undefined, any: string) => [
    { value: '', label: any },
    ...(all ?? []).map((o) => ({ value: o.value, label: o.words })),
  ];
  const STARS = ['5', '4', '3', '2', '1'].map((s) => ({ value: s, words: `${s} of 5` }));
  const SORTS = ['newest', 'oldest', 'best', 'worst'].map((s) => ({ value: s, label: `${s} first` }));
  let waiting: ReturnType<typeof setTimeout> | undefined;
  function typed(words: string): void {
    clearTimeout(waiting);
    waiting = setTimeout(() => pages.seek({ words }), 250);
  }
</script>

<form
  class="mt-3 grid grid-cols-2 items-end gap-x-4 gap-y-2 sm:grid-cols-3 lg:grid-cols-[1.5fr_repeat(4,minmax(0,1fr))]"
  aria-label="Look for bakes"
  onsubmit={(e) => e.preventDefault()}
>
  <label class="col-span-2 font-semibold sm:col-span-1">
    Words
    <input
      class="field mt-1 font-normal"
      type="search"
      maxlength="200"
      placeholder="in titles, notes, faults"
      value={pages.sought.words}
      oninput={(e) => typed(e.currentTarget.value)}
    />
  </label>
  {@render pick('Formula', 'formula', options(pages.choices?.formulas, 'any'))}
  {@render pick('Fault', 'fault', options(pages.choices?.faults, 'any'))}
  {@render pick('Stars', 'stars', options(STARS, 'any'))}
  {@render pick('Order', 'sort', SORTS)}
  {#if !more}<button
      type="button"
      class="col-span-2 min-h-11 text-left underline sm:col-span-1"
      onclick={() => (open = true)}>By class, oven, hands, days</button
    >{/if}
  {#if more}
    {@render pick('Class', 'class', options(pages.choices?.classes, 'any'))}
    {@render pick('Oven', 'oven', options(pages.choices?.ovens, 'any'))}
    {@render pick('Hands', 'hands', options(pages.choices?.hands, 'anybody'))}
    {@render date('From', 'since')}
    {@render date('Until', 'until')}
  {/if}
</form>

{#snippet pick(label: string, key: keyof Sought, all: { value: string; label: string }[])}
  <div>
    <Choice {label} value={pages.sought[key]} options={all} onvalue={(v) => pages.seek({ [key]: v })} />
  </div>
{/snippet}
{#snippet date(label: string, key: 'since' | 'until')}
  <label class="font-semibold">
    {label}
    <input
      class="field mt-1 font-normal"
      type="date"
      value={pages.sought[key]}
      onchange={(e) => pages.seek({ [key]: e.currentTarget.value })}
    />
  </label>
{/snippet}
