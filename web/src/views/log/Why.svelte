<script lang="ts">
  import { api, ask, newKey, problemOf, type BakeState, type Problem, type Schemas } from '../../lib/api/client';
  import Notice from '../../lib/parts/Notice.svelte';
  import { whyOfBake } from '../../lib/why';
  import { p } from '../../routes';

  /** Why it came out like that: causes with what speaks for and against each, what would tell, and the lever. */
  type Props = { bake: BakeState; onsaved: (state: BakeState) => void };
  let { bake, onsaved }: Props = $props();

  let told = $state<Schemas['DiagnosisView'] | null>(null);
  let problem = $state<Problem | null>(null);
  let taken = $state<Record<string, string>>({});
  let all = $state(false);
  const faults = $derived((bake.outcome?.faults ?? []).join('|'));
  const SHOWN = 3;

  $effect(() => {
    void bake.sequence;
    if (faults) void load();
    else told = null;
  });
  async function load(): Promise<void> {
    try {
      told = await whyOfBake(bake.id);
      problem = null;
    } catch (error) {
      // Faults in words of the baker's own are in no table: then nothing is explained.
      told = null;
      problem = problemOf(error).field === 'faults' ? null : problemOf(error);
    }
  }
  async function tell(body: Schemas['SignAnswered'] | Schemas['CauseConfirmed']): Promise<void> {
    try {
      onsaved(await ask(api.POST('/api/bakes/{bake_id}/events', { params: { path: { bake_id: bake.id } }, body })));
    } catch (error) {
      problem = problemOf(error);
    }
  }
  const answer = (sign: string, yes: boolean | null) =>
    void tell({ kind: 'sign_answered', client_key: newKey(), sign, yes });
  /** Which of the faults a cause is confirmed of: all that were seen, for one cause did them. */
  async function confirm(cause: string): Promise<void> {
    for (const fault of told?.faults ?? []) await tell({ kind: 'cause_confirmed', client_key: newKey(), fault, cause });
  }
  async function take(cause: string, how: 'note' | 'change'): Promise<void> {
    try {
      const kept = await ask(
        api.POST('/api/bakes/{bake_id}/levers', {
          params: { path: { bake_id: bake.id } },
          body: { cause, how, step: '' },
        }),
      );
      taken = { ...taken, [cause]: `${kept.said} (version ${kept.version})` };
    } catch (error) {
      problem = problemOf(error);
    }
  }
  const percent = (v: number) => (v < 0.01 ? 'under 1 %' : `${Math.round(100 * v)} %`);
  const confirmed = (cause: string) => Object.values(told?.confirmed ?? {}).includes(cause);
  const questions = $derived((told?.ask ?? []).filter((a) => a.question && !(a.sign in (told?.answers ?? {}))));
  const measures = $derived((told?.ask ?? []).filter((a) => a.measure));
</script>

{#if problem}<Notice {problem} onclose={() => (problem = null)} />{/if}
{#if told}
  <section aria-label="Why">
    <h2 class="mb-1 text-xl">Why?</h2>
    <p class="text-quiet">
      By this bake’s record and what is usual with {told.faults.join(' and ')}. Something that is not on this list: {percent(
        told.unlisted,
      )}.
    </p>
    <ol class="mt-3">
      {#each told.causes.slice(0, all ? undefined : SHOWN) as cause (cause.cause)}
        <li class="border-t border-line py-3">
          <div class="flex items-baseline gap-4">
            <span class="w-16 shrink-0 text-right font-display text-2xl font-semibold"
              >{percent(cause.probability)}</span
            >
            <div class="min-w-0 grow">
              <h3 class="text-lg font-bold first-letter:uppercase">{cause.words}</h3>
              <div class="mt-1 h-2 max-w-md bg-line" aria-hidden="true">
                <div class="h-2 bg-ink" style="width: {(100 * cause.probability).toFixed(1)}%"></div>
              </div>
              <p class="mt-1 text-quiet">
                {cause.why}{cause.confirmed
                  ? ` Confirmed in ${cause.confirmed} ${cause.confirmed === 1 ? 'bake' : 'bakes'} here.`
                  : ''}
              </p>
              <ul class="mt-1 space-y-0.5">
                {#each cause.for as reason (reason)}<li class="flex gap-2">
                    <strong aria-label="for" class="w-5 text-center">+</strong><span>{reason}</span>
                  </li>{/each}
                {#each cause.against as reason (reason)}<li class="flex gap-2">
                    <strong aria-label="against" class="w-5 text-center">−</strong><span>{reason}</span>
                  </li>{/each}
              </ul>
              <p class="mt-2"><strong>Next time:</strong> {cause.lever}</p>
              <div class="mt-1 flex flex-wrap items-center gap-x-3 gap-y-2">
                {#if taken[cause.cause]}
                  <p class="flex min-h-11 items-center" role="status">
                    {taken[cause.cause]}
                    <a class="ml-2 underline" href={p('/book/:formula', { params: { formula: bake.formula_id } })}
                      >Formula</a
                    >
                  </p>
                {:else}
                  {#if cause.step}<button class="act act-small" onclick={() => void take(cause.cause, 'note')}
                      >Note it at “{cause.step_title}”</button
                    >{/if}
                  {#if cause.change && cause.step}<button
                      class="act act-small"
                      onclick={() => void take(cause.cause, 'change')}>Change it: {cause.change}</button
                    >{/if}
                {/if}
                {#if confirmed(cause.cause)}
                  <button class="min-h-11 px-2 font-bold underline" aria-pressed="true" onclick={() => void confirm('')}
                    >This was it</button
                  >
                {:else}
                  <button class="min-h-11 px-2 underline" aria-pressed="false" onclick={() => void confirm(cause.cause)}
                    >This was it</button
                  >
                {/if}
              </div>
            </div>
          </div>
        </li>
      {/each}
    </ol>
    {#if told.causes.length > SHOWN}
      <button class="min-h-11 underline" aria-expanded={all} onclick={() => (all = !all)}
        >{all ? 'Fewer causes' : `${told.causes.length - SHOWN} less likely ones`}</button
      >
    {/if}
    {#if questions.length > 0}
      <h3 class="mt-4 font-bold">What would tell</h3>
      {#each questions as asked (asked.sign)}
        <div class="flex flex-wrap items-center justify-between gap-x-4 border-t border-line py-1">
          <span class="grow basis-60">{asked.question}</span>
          <span class="flex gap-2">
            <button class="act act-small" onclick={() => answer(asked.sign, true)} aria-label="Yes: {asked.question}"
              >Yes</button
            >
            <button class="act act-small" onclick={() => answer(asked.sign, false)} aria-label="No: {asked.question}"
              >No</button
            >
          </span>
        </div>
      {/each}
    {/if}
    {#if Object.keys(told.answers).length > 0}
      <p class="mt-2 flex flex-wrap items-center gap-x-4">
        {Object.keys(told.answers).length === 1 ? 'One answer' : `${Object.keys(told.answers).length} answers`} counted.
        <button
          class="min-h-11 underline"
          onclick={() => Object.keys(told!.answers).forEach((sign) => answer(sign, null))}
          >Take {Object.keys(told.answers).length === 1 ? 'it' : 'them'} back</button
        >
      </p>
    {/if}
    {#each measures as asked (asked.sign)}<p class="mt-1 text-quiet">
        Not measured: {asked.name}. {asked.measure}
      </p>{/each}
    <p class="mt-2">
      <a
        class="inline-flex min-h-11 items-center underline"
        href="{p('/log/questions')}?formula={bake.formula_id}&bake={bake.id}">Keep it as an open question</a
      >
    </p>
  </section>
{/if}
