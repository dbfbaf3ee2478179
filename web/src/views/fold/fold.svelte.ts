import { api, ask, type Schemas } from '../../lib/api/client';
import { Asking } from '../../lib/asking.svelte';

export type School = Schemas['FoldSchool'];
export const SCHOOLS: { school: School; says: string }[] = [
  { school: 'sacrifice', says: 'A first portion is spent, the rest keeps its air.' },
  { school: 'in thirds', says: 'Each third brings the two closer.' },
  { school: 'base into the foam', says: 'The foam stays, the base runs into it.' },
  { school: 'flour over the foam', says: 'Flour first, in layers; liquid last.' },
  { school: 'dry and liquid in turns', says: 'Neither sinks nor clots.' },
];

/** A fold that is thought over: what meets, by which school, and a cup of what came of it. */
export class FoldState {
  base = $state({ mass_g: 250, density_g_per_ml: 1.13 });
  foam = $state({ mass_g: 180, density_g_per_ml: 0.16 });
  school = $state<School>('sacrifice');
  portions = $state<number | null>(null);
  dry = $state(0.5);
  measured = $state<number | null>(null);
  plan = new Asking<Schemas['FoldView']>();
  kept = new Asking<Schemas['KeptView']>();
  /** The plans of the other schools, for comparison. */
  others = new Asking<{ school: School; kept: Schemas['Estimate']; density: Schemas['Estimate'] }[]>();

  #body = $derived.by(() => ({
    base: { ...this.base },
    foam: { ...this.foam },
    dry_share: this.dry,
  }));

  /** Ask for the plan as it is set now; to be run whenever something of it changes. */
  think(): void {
    const body = { ...this.#body, school: this.school, portions: this.portions };
    this.plan.ask(() => ask(api.POST('/api/craft/fold', { body })), 60);
    const each = this.#body;
    this.others.ask(
      () =>
        Promise.all(
          SCHOOLS.map(async ({ school }) => {
            const plan = await ask(api.POST('/api/craft/fold', { body: { ...each, school } }));
            return { school, kept: plan.air_kept, density: plan.density_g_per_ml };
          }),
        ),
      200,
    );
    const measured = this.measured;
    if (measured === null) return;
    this.kept.ask(
      () => ask(api.POST('/api/craft/fold/air-kept', { body: { ...body, measured_density_g_per_ml: measured } })),
      60,
    );
  }
}
