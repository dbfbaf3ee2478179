<script lang="ts">
  import { Combobox } from 'bits-ui';

  type Option = { value: string; label: string };
  type Props = { label: string; value: string; options: Option[]; onvalue: (value: string) => void };
  let { label, value, options, onvalue }: Props = $props();

  const id = $props.id();
  const MOST = 60;
  let sought = $state('');
  let open = $state(false);
  const chosen = $derived(options.find((o) => o.value === value)?.label ?? '');
  const fitting = $derived(
    (sought ? options.filter((o) => o.label.toLowerCase().includes(sought.toLowerCase())) : options).slice(0, MOST),
  );
</script>

<div>
  <label for={id} class="mb-1 block font-semibold">{label}</label>
  <Combobox.Root
    type="single"
    {value}
    bind:open
    inputValue={open ? sought : chosen}
    onValueChange={(v) => {
      if (v) onvalue(v);
      sought = '';
    }}
    onOpenChange={(now) => {
      if (!now) sought = '';
    }}
  >
    <Combobox.Input
      {id}
      class="field font-semibold"
      autocomplete="off"
      placeholder={chosen}
      onfocus={() => (open = true)}
      oninput={(e) => (sought = e.currentTarget.value)}
    />
    <Combobox.Portal>
      <Combobox.Content
        class="z-50 max-h-80 w-(--bits-combobox-anchor-width) min-w-60 overflow-y-auto rounded-md border-2 border-ink bg-surface py-1 text-ink"
        sideOffset={4}
      >
        {#each fitting as option (option.value)}
          <Combobox.Item
            value={option.value}
            label={option.label}
            class="flex min-h-11 cursor-pointer items-center px-3 text-lg data-highlighted:bg-ground data-selected:font-bold"
          >
            {option.label}
          </Combobox.Item>
        {:else}
          <p class="px-3 py-2 text-quiet">No match</p>
        {/each}
      </Combobox.Content>
    </Combobox.Portal>
  </Combobox.Root>
</div>
