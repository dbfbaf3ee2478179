<script lang="ts">
  import { api, ask, problemOf } from '../../lib/api/client';
  import QuantityField from '../../lib/parts/QuantityField.svelte';

  /** A cup weighed full of water: its volume follows, and is told to `onvolume`. */
  type Props = { empty: number; onvolume: (ml: number) => void };
  let { empty, onvolume }: Props = $props();
  let full = $state<number | null>(null);
  let warm = $state(20);
  let said = $state('');
  let trouble = $state('');

  async function weigh(): Promise<void> {
    if (full === null) return;
    try {
      const body = { empty_g: empty, water_g: full, water_c: warm };
      const { volume_ml } = await ask(api.POST('/api/craft/cup-volume', { body }));
      trouble = '';
      said = `It holds ${volume_ml.toFixed(1)} ml.`;
      onvolume(Number(volume_ml.toFixed(1)));
    } catch (error) {
      const problem = problemOf(error);
      [said, trouble] = ['', `${problem.detail} ${problem.remedy}`];
    }
  }
</script>

<QuantityField
  label="Full of water, levelled"
  wanted="mass"
  unit="g"
  value={full}
  onvalue={(v) => {
    full = v;
    void weigh();
  }}
/>
<QuantityField
  label="The water"
  wanted="temperature"
  unit="C"
  value={warm}
  onvalue={(v) => {
    warm = v;
    void weigh();
  }}
/>
<p class="text-[15px] {trouble ? 'font-semibold text-raspberry' : 'text-quiet'}" aria-live="polite">
  {trouble || said || 'Once is enough: water tells what a cup really holds.'}
</p>
