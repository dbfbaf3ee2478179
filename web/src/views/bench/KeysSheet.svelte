<script lang="ts">
  import Sheet from '../../lib/parts/Sheet.svelte';

  type Props = { open: boolean; onclose: () => void };
  let { open, onclose }: Props = $props();
  const keys = [
    ['Space', 'confirm or start the step'],
    ['R', 'add a reading'],
    ['N', 'looked, not yet'],
    ['1 – 4', 'touched a skin: wet, tacky, dry, too long'],
    ['W', 'start the whites for the syrup'],
    ['T', 'start a timer'],
    ['O', 'write a note'],
    ['S', 'skip with a reason'],
    ['A', 'all steps'],
    ['U', 'undo the last thing'],
    ['L', 'take back any of the last things'],
    ['C', 'otherwise than planned'],
    ['G', 'begin it again'],
    ['B', 'to the bake that wants hands next'],
    ['M', 'sound on or off'],
    ['?', 'this list'],
  ] as const;
</script>

<Sheet bind:open={() => open, (v) => !v && onclose()} title="Keys">
  <dl class="grid grid-cols-[auto_1fr] gap-x-6 gap-y-2 text-lg">
    {#each keys as [key, does] (key)}<dt class="font-bold">{key}</dt>
      <dd>{does}</dd>{/each}
  </dl>
</Sheet>
