<script lang="ts">
  import { api, ask, problemOf, type Schemas } from '../api/client';
  import { outsideOf } from '../figures.svelte';

  type Props = {
    label: string;
    wanted: Schemas['Wanted'];
    /** The value in the unit inside (g, C, mm, ml, s). */
    value: number | null;
    step?: number;
    least?: number;
    unit: string;
    ingredient?: string;
    onvalue: (value: number) => void;
  };
  let { label, wanted, value, step = 1, least = 0, unit, ingredient, onvalue }: Props = $props();

  const id = $props.id();
  let text = $state('');
  let editing = $state(false);
  let said = $state('');
  let trouble = $state('');
  let turn = 0;
  const places = $derived(step < 0.1 ? 2 : step < 1 ? 1 : 0);
  /** The unit that is shown, and meant by a number without one. */
  const outside = $derived(outsideOf(unit));
  const shown = $derived(editing ? text : value === null ? '' : outside.show(value, places));

  function change(to: number): void {
    trouble = said = '';
    editing = false;
    onvalue(Math.max(least, Number(to.toFixed(4))));
  }

  async function read(written: string): Promise<void> {
    text = written;
    editing = true;
    const mine = ++turn;
    if (!written.trim()) {
      said = trouble = '';
      return;
    }
    try {
      const bare = /^[\d\s.,/]+$/.test(written);
      const query = {
        text: bare && outside.unit !== unit ? `${written} ${outside.unit}` : written,
        wanted,
        ingredient,
      };
      const understood = await ask(api.GET('/api/craft/quantity', { params: { query } }));
      if (mine !== turn) return;
      trouble = '';
      said = bare ? '' : `understood: ${understood.said}`;
      if (understood.value < least) trouble = `At least ${outside.show(least, places)} ${outside.unit}.`;
      else onvalue(understood.value);
    } catch (error) {
      if (mine !== turn) return;
      said = '';
      trouble = problemOf(error).remedy;
    }
  }
</script>

<div>
  <label for={id} class="mb-1 block font-semibold">{label}</label>
  <div class="flex items-stretch gap-1.5">
    <button
      type="button"
      class="act act-small w-12 shrink-0 px-0"
      aria-label="less {label}"
      onclick={() => change((value ?? 0) - step)}>−</button
    >
    <div class="relative min-w-0 grow">
      <input
        {id}
        class="field {unit ? 'pr-9 pl-2.5' : 'px-2 text-center'} font-semibold"
        inputmode="text"
        autocomplete="off"
        value={shown}
        aria-invalid={trouble ? 'true' : undefined}
        aria-describedby="{id}-said"
        oninput={(event) => void read(event.currentTarget.value)}
        onblur={() => {
          if (!trouble) editing = false;
        }}
      />
      <span class="pointer-events-none absolute inset-y-0 right-2.5 flex items-center text-quiet">{outside.unit}</span>
    </div>
    <button
      type="button"
      class="act act-small w-12 shrink-0 px-0"
      aria-label="more {label}"
      onclick={() => change((value ?? 0) + step)}>+</button
    >
  </div>
  <p
    id="{id}-said"
    class="min-h-5 pt-0.5 text-sm {trouble ? 'font-semibold text-raspberry' : 'text-quiet'}"
    aria-live="polite"
  >
    {trouble ? `Not understood. ${trouble}` : said}
  </p>
</div>
