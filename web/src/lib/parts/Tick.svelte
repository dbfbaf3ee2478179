<script lang="ts">
  import { Checkbox } from 'bits-ui';

  type Props = { checked: boolean; onchecked: (checked: boolean) => void; label?: string; id?: string };
  let { checked, onchecked, label, id }: Props = $props();
</script>

<Checkbox.Root
  {id}
  {checked}
  onCheckedChange={(v) => onchecked(v === true)}
  aria-label={label}
  class="flex size-9 shrink-0 items-center justify-center rounded border-2 border-ink data-[state=checked]:bg-ink print:size-5"
>
  {#snippet children({ checked })}
    {#if checked}<svg width="20" height="16" aria-hidden="true"
        ><path d="M2 8l5 6L18 2" fill="none" stroke="var(--surface)" stroke-width="3" /></svg
      >{/if}
  {/snippet}
</Checkbox.Root>
