<script lang="ts">
  import type { SectionData } from '../api/client';
  import Build from './Build.svelte';
  import Filled from './Filled.svelte';

  /** Something cut in half, to scale: a vessel with its content, or a build with its parts. */
  type Props = {
    section: SectionData;
    width?: number;
    height?: number;
    /** Show levels, the rim and the expected rise in words; of a build its parts. */
    annotated?: boolean;
    label?: string;
    /** Pixels a millimetre, when several vessels share one scale; else the vessel fills the picture. */
    pxPerMm?: number;
  };
  let { section, ...how }: Props = $props();
</script>

{#if (section.regions ?? []).length > 0}<Build {section} {...how} />{:else}<Filled {section} {...how} />{/if}
