<script lang="ts">
  import type { Schemas } from '../../lib/api/client';
  import QuantityField from '../../lib/parts/QuantityField.svelte';
  import HoursField from './HoursField.svelte';
  import type { KitchenState } from './kitchen.svelte';

  /** What the day's plan shares: when it is open, who does what and when, places to stand, what an hour costs. */
  type Props = { page: KitchenState };
  let { page }: Props = $props();
  const kitchen = $derived(page.kitchen!);
  type Craft = Schemas['Craft'];
  const CRAFTS: Craft[] = [
    'weighing, foams and batters',
    'sugar and the hob',
    'piping and sorting',
    'the oven',
    'cutting, filling and finishing',
  ];

  function toggle(i: number, craft: Craft): void {
    page.change((k) => {
      // Nothing chosen is everything.
      const does = k.people![i]!.does?.length ? k.people![i]!.does! : CRAFTS;
      const next = does.includes(craft)
        ? does.filter((c) => c !== craft)
        : CRAFTS.filter((c) => c === craft || does.includes(c));
      k.people![i]!.does = next.length === CRAFTS.length ? [] : next;
    });
  }
</script>

<section class="mt-6 max-w-6xl" aria-labelledby="day-room">
  <h2 id="day-room" class="text-2xl">What a day shares</h2>
  <p class="text-quiet">
    Plans of a day keep to these. Where nobody is named under Hands, one person is here whenever the kitchen is open.
  </p>
  <div class="mt-2 grid gap-x-10 gap-y-4 lg:grid-cols-2">
    <HoursField
      label="The kitchen is open"
      hours={kitchen.hours ?? []}
      empty=""
      keepOne
      onhours={(hours) => page.change((k) => (k.hours = hours))}
    />
    <div class="grid items-end gap-x-8 gap-y-1 sm:grid-cols-2">
      <QuantityField
        label="Places in the refrigerator"
        wanted="number"
        unit="tins"
        value={kitchen.fridge_places ?? 12}
        onvalue={(v) => page.change((k) => (k.fridge_places = Math.round(v)))}
      />
      <QuantityField
        label="Places in the freezer"
        wanted="number"
        unit="tins"
        value={kitchen.freezer_places ?? 8}
        onvalue={(v) => page.change((k) => (k.freezer_places = Math.round(v)))}
      />
      <QuantityField
        label="Places to cool"
        wanted="number"
        unit="tins"
        value={kitchen.rack_places ?? 12}
        onvalue={(v) => page.change((k) => (k.rack_places = Math.round(v)))}
      />
      <QuantityField
        label="An hour of hands costs"
        wanted="number"
        unit=""
        step={0.5}
        value={kitchen.hand_per_h ?? null}
        onvalue={(v) => page.change((k) => (k.hand_per_h = v > 0 ? v : null))}
      />
      {#each kitchen.mixers as mixer, i (mixer.id)}
        <QuantityField
          label="Bowls of {mixer.name}"
          wanted="number"
          unit=""
          least={1}
          value={mixer.bowls ?? 1}
          onvalue={(v) => page.change((k) => (k.mixers[i]!.bowls = Math.round(v)))}
        />
      {/each}
      {#each kitchen.ovens as oven, i (oven.id)}
        <QuantityField
          label="{oven.name} cools per minute"
          wanted="number"
          unit="K"
          step={0.5}
          least={0.5}
          value={oven.fall_k_per_min ?? 4}
          onvalue={(v) => page.change((k) => (k.ovens[i]!.fall_k_per_min = v))}
        />
      {/each}
    </div>
    {#each kitchen.people ?? [] as person, i (person.id)}
      <div class="border-t border-line pt-2">
        <HoursField
          label="{person.name} is here"
          hours={person.hours ?? []}
          empty="Whenever the kitchen is open."
          onhours={(hours) => page.change((k) => (k.people![i]!.hours = hours))}
        />
        <p class="font-semibold">{person.name} does</p>
        <div class="flex flex-wrap gap-x-4" role="group" aria-label="{person.name} does">
          {#each CRAFTS as craft (craft)}
            {@const yes = !person.does?.length || person.does.includes(craft)}
            <button
              class="min-h-12 {yes
                ? 'font-semibold underline decoration-2 underline-offset-4'
                : 'text-quiet line-through'}"
              aria-pressed={yes}
              onclick={() => toggle(i, craft)}>{craft}</button
            >
          {/each}
        </div>
      </div>
    {/each}
  </div>
</section>
