<script lang="ts">
  import type { Schemas } from '../api/client';

  type Props = { composition: Schemas['Composition'] };
  let { composition }: Props = $props();

  /** In the order in which a baker reads a label; what is less than a hundredth is not drawn. */
  const PARTS = [
    ['water', 'water', 'var(--metal)', 0.3],
    ['sugars', 'sugars', 'var(--copper)', 0.85],
    ['starch', 'starch', 'var(--copper)', 0.35],
    ['fat', 'fat', 'var(--ink)', 0.5],
    ['protein', 'protein', 'var(--ink)', 0.85],
    ['fibre', 'fibre', 'var(--metal)', 0.9],
    ['alcohol', 'alcohol', 'var(--ink)', 0.2],
    ['salt', 'salt', 'var(--ink)', 0.35],
    ['other', 'other', 'var(--metal)', 0.7],
  ] as const;
  const percent = (share: number) => `${(share * 100).toFixed(share < 0.1 ? 1 : 0)} %`;
  const shown = $derived.by(() => {
    let from = 0;
    return PARTS.map(([part, word, fill, opacity]) => {
      const share = composition[part] ?? 0;
      const at = from;
      from += share;
      return { word, fill, opacity, share, at };
    }).filter((s) => s.share >= 0.01);
  });
  const spoken = $derived(shown.map((s) => `${s.word} ${percent(s.share)}`).join(', '));
</script>

<svg width="100%" height="12" role="img" aria-label={spoken} class="mt-1 block">
  {#each shown as s (s.word)}
    <rect x="{s.at * 100}%" width="{s.share * 100}%" height="12" fill={s.fill} fill-opacity={s.opacity} />
    <line x1="{s.at * 100}%" x2="{s.at * 100}%" y1="0" y2="12" stroke="var(--ground)" stroke-width="1.5" />
  {/each}
</svg>
<span class="block text-[15px] text-quiet" aria-hidden="true">{spoken}</span>
