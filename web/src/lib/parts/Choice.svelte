<script lang="ts">
  import { Select } from 'bits-ui';

  type Option = { value: string; label: string };
  type Props = { label: string; value: string; options: Option[]; onvalue: (value: string) => void };
  let { label, value, options, onvalue }: Props = $props();

  const id = $props.id();
  const shown = $derived(options.find((o) => o.value === value)?.label ?? 'Choose');
</script>

<div>
  <span id="{id}-label" class="mb-1 block font-semibold">{label}</span>
  <Select.Root type="single" {value} onValueChange={onvalue} items={options}>
    <Select.Trigger
      class="field flex items-center justify-between gap-3 text-left font-semibold"
      aria-labelledby="{id}-label {id}-value"
    >
      <span id="{id}-value">{shown}</span>
      <svg width="14" height="9" aria-hidden="true"
        ><path d="M1 1l6 6 6-6" fill="none" stroke="currentColor" stroke-width="2" /></svg
      >
    </Select.Trigger>
    <Select.Portal>
      <Select.Content
        class="z-50 max-h-80 w-(--bits-select-anchor-width) overflow-y-auto rounded-md border-2 border-ink bg-surface py-1 text-ink"
        sideOffset={4}
      >
        <Select.Viewport>
          {#each options as option (option.value)}
            <Select.Item
              value={option.value}
              label={option.label}
              class="flex min-h-12 cursor-pointer items-center px-3 text-lg data-highlighted:bg-ground data-selected:font-bold"
            >
              {option.label}
            </Select.Item>
          {/each}
        </Select.Viewport>
      </Select.Content>
    </Select.Portal>
  </Select.Root>
</div>
