<script lang="ts">
  import { Switch } from 'bits-ui';
  import type { Schemas } from '../../lib/api/client';
  import Choice from '../../lib/parts/Choice.svelte';
  import QuantityField from '../../lib/parts/QuantityField.svelte';
  import type { Editor, LooseStep } from './editor.svelte';

  type Props = { editor: Pick<Editor, 'kinds' | 'kitchen' | 'set' | 'change'>; step: LooseStep };
  let { editor, step }: Props = $props();

  const kind = $derived(editor.kinds.find((k) => k.kind === step.kind));
  const WANTED: Record<string, Schemas['Wanted']> = { C: 'temperature', g: 'mass', mm: 'length' };
  const wanted = (unit: string): Schemas['Wanted'] => WANTED[unit] ?? 'number';
  const unitOf = (name: string) =>
    name.endsWith('_c') ? 'C' : name.endsWith('_mm') ? 'mm' : name === 'minutes' ? 'min' : '';
  const said = (name: string) => name.replace(/_(c|mm|g|k)$/, '').replaceAll('_', ' ');

  type Leaf = { path: string[]; value: number };
  /** The numbers inside a shape, such as a tin's dimensions. */
  function leaves(value: unknown, path: string[] = []): Leaf[] {
    if (typeof value === 'number') return [{ path, value }];
    if (value === null || typeof value !== 'object') return [];
    return Object.entries(value).flatMap(([name, inner]) => leaves(inner, [...path, name]));
  }
  function setLeaf(field: string, path: string[], value: number): void {
    const whole = structuredClone($state.snapshot(step[field])) as Record<string, unknown>;
    let here = whole;
    for (const name of path.slice(0, -1)) here = here[name] as Record<string, unknown>;
    here[path.at(-1)!] = value;
    editor.set(field, whole);
  }
  function takeTin(id: string): void {
    const found = editor.kitchen?.tins.find((t) => t.id === id);
    if (!found) return;
    editor.change((_, steps) => {
      const own = steps.find((s) => s.id === step.id);
      if (own) Object.assign(own, { tin: structuredClone($state.snapshot(found.tin)), tin_name: found.name });
    });
  }
</script>

<div class="grid gap-x-4 gap-y-2 sm:grid-cols-2">
  {#each kind?.fields ?? [] as field (field.name)}
    {@const value = step[field.name]}
    {#if field.entry === 'choice'}
      <Choice
        label={field.label}
        value={String(value ?? '')}
        options={[
          ...(field.optional ? [{ value: '', label: 'none' }] : []),
          ...field.choices.map((c) => ({ value: c, label: c })),
        ]}
        onvalue={(v) => editor.set(field.name, v || null)}
      />
    {:else if field.entry === 'number' || field.entry === 'whole number'}
      <QuantityField
        label={field.label}
        wanted={wanted(field.unit)}
        unit={field.unit}
        step={field.entry === 'whole number' || (field.high ?? 100) > 20 ? 1 : 0.05}
        least={field.low ?? 0}
        value={typeof value === 'number' ? value : null}
        onvalue={(v) => editor.set(field.name, field.entry === 'whole number' ? Math.round(v) : v)}
      />
    {:else if field.entry === 'yes or no'}
      <label class="flex min-h-12 items-center gap-3 self-end font-semibold">
        <Switch.Root
          checked={Boolean(value)}
          onCheckedChange={(v) => editor.set(field.name, v)}
          aria-label={field.label}
          class="h-8 w-14 shrink-0 rounded-full border-2 border-ink bg-surface p-0.5 data-[state=checked]:bg-ink"
        >
          <Switch.Thumb
            class="block size-6 rounded-full bg-ink transition-transform data-[state=checked]:translate-x-6 data-[state=checked]:bg-surface"
          />
        </Switch.Root>
        {field.label}
      </label>
    {:else if field.entry === 'text'}
      <label class="block font-semibold sm:col-span-2">
        {field.label}
        <input
          class="field mt-1 font-normal"
          value={String(value ?? '')}
          onchange={(e) => editor.set(field.name, e.currentTarget.value)}
        />
      </label>
    {:else if field.entry === 'names'}
      <label class="block font-semibold sm:col-span-2">
        {field.label}, one after the other
        <input
          class="field mt-1 font-normal"
          value={Array.isArray(value) ? value.join(', ') : ''}
          onchange={(e) =>
            editor.set(
              field.name,
              e.currentTarget.value
                .split(',')
                .map((n) => n.trim())
                .filter(Boolean),
            )}
        />
      </label>
    {:else if value == null}
      {#if field.first}<button
          type="button"
          class="act act-small self-end"
          onclick={() => editor.set(field.name, structuredClone($state.snapshot(field.first)))}
          >Add a {field.label}</button
        >{/if}
    {:else}
      <fieldset class="sm:col-span-2">
        <legend class="font-semibold">{field.label}</legend>
        {#if field.first}<button
            type="button"
            class="min-h-11 px-1 underline"
            onclick={() => editor.set(field.name, null)}>without a {field.label}</button
          >{/if}
        {#if field.name === 'tin' && editor.kitchen?.tins.length}
          <Choice
            label="from the shelf"
            value=""
            options={editor.kitchen.tins.map((t) => ({ value: t.id, label: t.name }))}
            onvalue={takeTin}
          />
        {/if}
        <div class="mt-1 grid gap-x-4 sm:grid-cols-2">
          {#each leaves(value) as leaf (leaf.path.join('.'))}
            {@const name = leaf.path.at(-1)!}
            <QuantityField
              label={said(name)}
              wanted={wanted(unitOf(name))}
              unit={unitOf(name)}
              least={0}
              value={leaf.value}
              onvalue={(v) => setLeaf(field.name, leaf.path, v)}
            />
          {/each}
        </div>
      </fieldset>
    {/if}
  {/each}
</div>
