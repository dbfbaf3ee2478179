<script lang="ts">
  import { api, ask, problemOf, type Problem, type Schemas } from '../../lib/api/client';
  import Choice from '../../lib/parts/Choice.svelte';
  import Differences from '../../lib/parts/Differences.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import { clock, day } from '../../lib/time';
  import { p, route } from '../../routes';
  import FormulaHead from './FormulaHead.svelte';

  const formula_id = route.params.formula!;
  let versions = $state<Schemas['VersionEntry'][]>([]);
  let before = $state(0);
  let after = $state(0);
  let compared = $state<Schemas['Compared'] | null>(null);
  let problem = $state<Problem | null>(null);

  async function load(): Promise<void> {
    try {
      versions = await ask(api.GET('/api/formulas/{formula_id}/versions', { params: { path: { formula_id } } }));
      after = versions[0]?.version ?? 0;
      before = versions[1]?.version ?? after;
    } catch (error) {
      problem = problemOf(error);
    }
  }
  void load();

  $effect(() => {
    const query = { before, after };
    if (!query.before || !query.after) return;
    ask(api.GET('/api/formulas/{formula_id}/compare', { params: { path: { formula_id }, query } })).then(
      (found) => {
        if (query.before === before && query.after === after) compared = found;
      },
      (error) => (problem = problemOf(error)),
    );
  });

  /** An earlier version is kept again, as the newest. */
  async function bringBack(): Promise<void> {
    if (!compared) return;
    try {
      const body = { formula: compared.before.formula, based_on: versions[0]!.version };
      await ask(api.PUT('/api/formulas/{formula_id}', { params: { path: { formula_id } }, body }));
      await load();
    } catch (error) {
      problem = problemOf(error);
    }
  }

  async function copy(): Promise<void> {
    try {
      const own = await ask(api.POST('/api/formulas/{formula_id}/copy', { params: { path: { formula_id } } }));
      // A whole new page: this one is bound to the formula that it was opened for.
      location.assign(p('/book/:formula/change', { params: { formula: own.id } }));
    } catch (error) {
      problem = problemOf(error);
    }
  }

  const options = $derived(
    versions.map((v) => ({
      value: String(v.version),
      label: `version ${v.version}, ${day(v.saved_at)} ${clock(v.saved_at)}`,
    })),
  );
</script>

<div class="px-4 py-5 sm:px-6">
  {#if problem}<Notice {problem} onclose={() => (problem = null)} />{/if}
  {#if compared && versions.length}
    <FormulaHead
      id={formula_id}
      title={compared.after.formula.title}
      technique={compared.after.formula.technique}
      version={versions[0]!.version}
    />
    {#if versions.length === 1}
      <p class="max-w-prose text-lg text-quiet">
        There is one version so far. Every change is kept as a new one; a bake keeps the version that it was made from.
      </p>
    {:else}
      <div class="grid max-w-4xl gap-3 sm:grid-cols-2">
        <Choice label="Left" value={String(before)} {options} onvalue={(v) => (before = Number(v))} />
        <Choice label="Right" value={String(after)} {options} onvalue={(v) => (after = Number(v))} />
      </div>
      {#each versions.filter((v) => v.version === after && v.ledger.length) as v (v.version)}
        <p class="mt-3 text-quiet">In the ledger of version {v.version}: {v.ledger.join('; ')}.</p>
      {/each}
      <div class="mt-4 max-w-5xl">
        <Differences
          differences={compared.differences}
          before="Version {compared.before.version}"
          after="Version {compared.after.version}"
        />
      </div>
      {#if compared.before.version !== versions[0]!.version}
        <button class="act act-small mt-5" onclick={() => void bringBack()}
          >Bring version {compared.before.version} back as the newest</button
        >
      {/if}
    {/if}
    <p class="mt-6">
      <button class="act act-small" onclick={() => void copy()}>Begin a new formula from this one</button>
    </p>
  {/if}
</div>
