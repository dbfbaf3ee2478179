<script lang="ts">
  import type { Schemas } from '../../lib/api/client';

  /** Hours on days of the week: rows of days with a beginning and an end. */
  type Hours = Schemas['Hours'];
  type Props = { label: string; hours: Hours[]; empty: string; keepOne?: boolean; onhours: (hours: Hours[]) => void };
  let { label, hours, empty, keepOne = false, onhours }: Props = $props();
  const DAYS = ['Mo', 'Tu', 'We', 'Th', 'Fr', 'Sa', 'Su'];
  const LONG = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];
  const TIME = /^(([01]?\d|2[0-3]):[0-5]\d|24:00)$/;
  let wrong = $state<string | null>(null);

  const put = (i: number, change: Partial<Hours>) => onhours(hours.map((h, n) => (n === i ? { ...h, ...change } : h)));

  function time(i: number, which: 'opens' | 'closes', text: string): void {
    const told = text.trim().padStart(5, '0');
    const other = hours[i]![which === 'opens' ? 'closes' : 'opens'];
    wrong = !TIME.test(told)
      ? `“${text}” is no time: write 05:30.`
      : told === other
        ? 'It opens and closes at the same time: write 00:00 to 24:00 for all day.'
        : null;
    if (!wrong) put(i, { [which]: told });
  }

  function toggle(i: number, day: number): void {
    const days = hours[i]!.days ?? [];
    put(i, { days: days.includes(day) ? days.filter((d) => d !== day) : [...days, day].sort((a, b) => a - b) });
  }
</script>

<fieldset class="min-w-0">
  <legend class="font-semibold">{label}</legend>
  {#each hours as h, i (i)}
    <div class="flex flex-wrap items-center gap-x-3 gap-y-1 py-1">
      <div class="flex" role="group" aria-label="Days">
        {#each DAYS as name, day (name)}
          <button
            class="min-h-12 min-w-10 {(h.days ?? []).includes(day)
              ? 'font-bold underline decoration-[3px] underline-offset-4'
              : 'text-quiet'}"
            aria-pressed={(h.days ?? []).includes(day)}
            aria-label={LONG[day]}
            onclick={() => toggle(i, day)}>{name}</button
          >
        {/each}
      </div>
      <input
        class="field max-w-24"
        aria-label="from"
        value={h.opens}
        onchange={(e) => time(i, 'opens', e.currentTarget.value)}
      />
      <span>to</span>
      <input
        class="field max-w-24"
        aria-label="to"
        value={h.closes}
        onchange={(e) => time(i, 'closes', e.currentTarget.value)}
      />
      {#if !keepOne || hours.length > 1}
        <button class="min-h-12 px-2 underline" onclick={() => onhours(hours.filter((_, n) => n !== i))}>Remove</button>
      {/if}
    </div>
  {/each}
  {#if hours.length === 0}<p class="text-quiet">{empty}</p>{/if}
  {#if wrong}<p role="alert" class="font-semibold text-raspberry">{wrong}</p>{/if}
  <button
    class="min-h-12 underline"
    onclick={() => onhours([...hours, { days: [0, 1, 2, 3, 4, 5, 6], opens: '05:00', closes: '14:00' }])}
    >Add hours</button
  >
</fieldset>
