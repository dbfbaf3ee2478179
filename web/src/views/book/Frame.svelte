<script lang="ts">
  import { Collapsible } from 'bits-ui';
  import type { Schemas } from '../../lib/api/client';
  import Choice from '../../lib/parts/Choice.svelte';
  import QuantityField from '../../lib/parts/QuantityField.svelte';
  import { CLASSES } from './classes';
  import type { Editor, Formula } from './editor.svelte';

  type Props = { editor: Editor; formula: Formula };
  let { editor, formula }: Props = $props();

  const PARTS: Schemas['Part'][] = [
    'sponge',
    'meringue',
    'shells',
    'filling',
    'soak',
    'glaze',
    'decoration',
    'assembly',
  ];
  const FORMS: Schemas['VesselForm'][] = ['bowl', 'mixer bowl', 'pot', 'jug', 'paper', 'tin', 'rack'];
  const usesVessel = (id: string) => editor.steps.some((s) => s.vessel === id);
  const usesPart = (id: string) => editor.steps.some((s) => s.component === id);
</script>

<Collapsible.Root class="mb-4">
  <Collapsible.Trigger class="min-h-11 font-semibold underline">Title, parts and vessels</Collapsible.Trigger>
  <Collapsible.Content class="mt-2 grid gap-x-10 gap-y-4 lg:grid-cols-3">
    <div class="space-y-2">
      <label class="block font-semibold">
        Title
        <input
          class="field mt-1"
          maxlength="120"
          value={formula.title}
          onchange={(e) => {
            const title = e.currentTarget.value.trim();
            if (title) editor.change((f) => (f.title = title));
          }}
        />
      </label>
      <label class="block font-semibold">
        In a sentence or two
        <textarea
          class="field mt-1 font-normal"
          maxlength="600"
          value={formula.summary ?? ''}
          onchange={(e) => {
            const summary = e.currentTarget.value;
            editor.change((f) => (f.summary = summary));
          }}></textarea>
      </label>
      <Choice
        label="Class of bake"
        value={formula.technique}
        options={CLASSES.map((c) => ({ value: c, label: c }))}
        onvalue={(v) => editor.change((f) => (f.technique = v as Formula['technique']))}
      />
      <QuantityField
        label="Serves"
        wanted="number"
        unit=""
        least={1}
        value={formula.servings ?? 8}
        onvalue={(v) => editor.change((f) => (f.servings = Math.round(v)))}
      />
    </div>
    <div>
      <h3 class="text-lg font-semibold">Parts</h3>
      <ul class="space-y-2">
        {#each formula.components as part, i (part.id)}
          <li class="grid grid-cols-[minmax(0,1fr)_9rem_auto] items-end gap-2">
            <label class="block font-semibold">
              Part {i + 1}
              <input
                class="field mt-1"
                maxlength="60"
                value={part.name}
                onchange={(e) => {
                  const name = e.currentTarget.value.trim();
                  if (name) editor.change((f) => (f.components[i]!.name = name));
                }}
              />
            </label>
            <Choice
              label="is its"
              value={part.part}
              options={PARTS.map((p) => ({ value: p, label: p }))}
              onvalue={(v) => editor.change((f) => (f.components[i]!.part = v as Schemas['Part']))}
            />
            <button
              class="act act-small"
              disabled={usesPart(part.id)}
              aria-label="Remove part {part.name}"
              onclick={() => editor.change((f) => void f.components.splice(i, 1))}>−</button
            >
          </li>
        {/each}
      </ul>
      <button class="act act-small mt-2" onclick={() => editor.addComponent()}>Add a part</button>
      <p class="mt-1 text-[14px] text-quiet">A part that steps belong to can’t be taken out.</p>
    </div>
    <div>
      <h3 class="text-lg font-semibold">Vessels</h3>
      <ul class="space-y-2">
        {#each formula.vessels as vessel, i (vessel.id)}
          <li class="grid grid-cols-[minmax(0,1fr)_8.5rem_auto] items-end gap-2">
            <label class="block font-semibold">
              Vessel {i + 1}
              <input
                class="field mt-1"
                maxlength="60"
                value={vessel.name}
                onchange={(e) => {
                  const name = e.currentTarget.value.trim();
                  if (name) editor.change((f) => (f.vessels[i]!.name = name));
                }}
              />
            </label>
            <Choice
              label="is a"
              value={vessel.form}
              options={FORMS.map((f) => ({ value: f, label: f }))}
              onvalue={(v) => editor.change((f) => (f.vessels[i]!.form = v as Schemas['VesselForm']))}
            />
            <button
              class="act act-small"
              disabled={usesVessel(vessel.id)}
              aria-label="Remove vessel {vessel.name}"
              onclick={() => editor.change((f) => void f.vessels.splice(i, 1))}>−</button
            >
          </li>
        {/each}
      </ul>
      <button class="act act-small mt-2" onclick={() => editor.addVessel()}>Add a vessel</button>
    </div>
  </Collapsible.Content>
</Collapsible.Root>
