<script lang="ts">
  import type { Schemas, StepDetail } from '../../lib/api/client';
  import { celsius } from '../../lib/figures.svelte';
  import { remaining } from '../../lib/time';
  import { now } from '../../lib/now.svelte';
  import Figures from './Figures.svelte';

  /** A bowl, an oven or a cake on the rack as its thermometer tells it. `read` is the moment of the state. */
  type Props = { watch: Schemas['Watch']; detail: StepDetail; read: string };
  let { watch, detail, read }: Props = $props();
</script>

<Figures
  temperature={watch.now_c}
  about={detail.column?.quantity === 'oven temperature'
    ? 'in the oven'
    : detail.column?.quantity === 'core temperature'
      ? 'in the middle'
      : watch.peak_c == null
        ? 'in the bowl'
        : `highest measured ${celsius(watch.peak_c)}`}
  target={detail.column?.target_c ?? 0}
  left={watch.left_s ? remaining(watch.left_s, read, now.value) : null}
  why={watch.why}
/>
