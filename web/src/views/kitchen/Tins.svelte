<script lang="ts">
  import type { Schemas } from '../../lib/api/client';
  import Choice from '../../lib/parts/Choice.svelte';
  import QuantityField from '../../lib/parts/QuantityField.svelte';
  import { freeId, type KitchenState } from './kitchen.svelte';
  import { paperOf } from '../tins/tins.svelte';
  import TinDrawing from './TinDrawing.svelte';

  const WALLS = ['bright metal', 'dark metal', 'glass or ceramic', 'silicone'] as const;
  type Props = { page: KitchenState };
  let { page }: Props = $props();

  const lengths = (tin: Schemas['KitchenTin']) => tin.tin.dimensions as Record<string, number | null>;
  let open = $state<string | null>(null);

  const measured = (shape: string) => page.shapes.find((s) => s.shape === shape)?.measures ?? [];

  function addTin(shape: string): void {
    const template = page.shapes.find((s) => s.shape === shape);
    if (!template) return;
    page.change((k) => {
      open = freeId(shape, k.tins);
      k.tins.push({
        id: open,
        name: `new ${shape} tin`,
        tin: structuredClone($state.snapshot(template.first)),
        count: 1,
        wall: 'bright metal',
      });
    });
  }
</script>

<h2 class="mt-8 mb-1 text-2xl">Tins</h2>
<ul class="flex flex-wrap items-end gap-x-8 gap-y-6">
  {#each page.kitchen?.tins ?? [] as tin, i (tin.id)}
    <li class={open === tin.id ? 'w-full max-w-3xl bg-surface p-4' : 'w-40'}>
      <div class={open === tin.id ? 'flex flex-wrap gap-6' : ''}>
        <TinDrawing name={tin.name} tin={tin.tin} />
        {#if open === tin.id}
          <div class="grid min-w-64 grow gap-x-4 gap-y-1 sm:grid-cols-2">
            <label class="block font-semibold"
              >Name<input
                class="field mt-1 font-normal"
                maxlength="60"
                value={tin.name}
                oninput={(e) => {
                  const name = e.currentTarget.value;
                  if (name.trim()) page.change((k) => (k.tins[i]!.name = name));
                }}
              /></label
            >
            <QuantityField
              label="How many"
              wanted="number"
              unit=""
              least={1}
              value={tin.count}
              onvalue={(v) => page.change((k) => (k.tins[i]!.count = Math.round(v)))}
            />
            <Choice
              label="Wall"
              value={tin.wall}
              options={WALLS.map((w) => ({ value: w, label: w }))}
              onvalue={(wall) => page.change((k) => (k.tins[i]!.wall = wall as typeof tin.wall))}
            />
            {#each measured(tin.tin.shape).filter((m) => lengths(tin)[m.name] != null) as measure (measure.name)}
              <QuantityField
                label={measure.label}
                wanted="length"
                unit="mm"
                least={1}
                value={lengths(tin)[measure.name] ?? 1}
                onvalue={(v) => page.change((k) => (lengths(k.tins[i]!)[measure.name] = v))}
              />
            {/each}
            <p class="sm:col-span-2">
              Lining paper at true scale:
              <a class="underline" href={paperOf(tin, 'pdf')} target="_blank" rel="noopener">A4</a>,
              <a class="underline" href={paperOf(tin, 'pdf', 'letter')} target="_blank" rel="noopener">Letter</a>,
              <a class="underline" href={paperOf(tin, 'svg')} target="_blank" rel="noopener">SVG</a>
            </p>
            <div class="flex gap-3 sm:col-span-2">
              <button class="act act-small" onclick={() => (open = null)}>Close</button>
              <button class="act act-small" onclick={() => page.change((k) => k.tins.splice(i, 1))}
                >Remove from the shelf</button
              >
            </div>
          </div>
        {:else}
          <button class="min-h-12 w-full text-center leading-tight underline" onclick={() => (open = tin.id)}
            >{tin.name}{tin.count > 1 ? `, ${tin.count}` : ''}</button
          >
        {/if}
      </div>
    </li>
  {/each}
  <li class="w-56">
    <Choice
      label="Add a tin"
      value=""
      options={page.shapes.map((s) => ({ value: s.shape, label: s.shape }))}
      onvalue={addTin}
    />
  </li>
</ul>
