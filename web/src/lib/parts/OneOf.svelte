<script lang="ts" generics="T extends string">
  /** One of a few answers, the chosen one underlined. */
  type Props = { label: string; all: readonly T[]; now: T; onchoose: (one: T) => void };
  let { label, all, now, onchoose }: Props = $props();
</script>

<div class="flex flex-wrap gap-x-5" role="group" aria-label={label}>
  {#each all as one (one)}
    <button
      class="min-h-11 text-[16px] {one === now
        ? 'font-bold underline decoration-[3px] underline-offset-[6px]'
        : 'text-quiet'}"
      aria-pressed={one === now}
      onclick={() => one !== now && onchoose(one)}>{one}</button
    >
  {/each}
</div>
