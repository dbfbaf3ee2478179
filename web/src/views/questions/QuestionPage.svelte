<script lang="ts">
  import { api, ask, problemOf, type Problem, type Schemas } from '../../lib/api/client';
  import Loading from '../../lib/parts/Loading.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import { day } from '../../lib/time';
  import { whyOfFaults } from '../../lib/why';
  import { p, route } from '../../routes';

  const question_id = route.params.question!;
  type Told = Schemas['QuestionTold'];
  let told = $state<Told | null>(null);
  let causes = $state<Schemas['CauseView'][]>([]);
  let title = $state('');
  let problem = $state<Problem | null>(null);
  let change = $state('');
  let suspect = $state('');
  let learned = $state('');
  let closing = $state(false);

  const question = $derived(told?.question ?? null);
  const trying = $derived(question?.closed_at ? null : (question?.trials.find((t) => t.ended_at === null) ?? null));

  async function begin(): Promise<void> {
    try {
      told = await ask(api.GET('/api/questions/{question_id}', { params: { path: { question_id } } }));
      const { formula } = await ask(
        api.GET('/api/formulas/{formula_id}', { params: { path: { formula_id: told.question.formula } } }),
      );
      title = formula.title;
      const why = await whyOfFaults(formula.technique, [...told.question.faults]);
      causes = why.causes;
    } catch (error) {
      problem = problemOf(error);
    }
  }
  void begin();
  async function now(call: () => Promise<Told>): Promise<boolean> {
    try {
      told = await call();
      problem = null;
      return true;
    } catch (error) {
      problem = problemOf(error);
      return false;
    }
  }
  const path = { path: { question_id } };
  async function tryIt(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    const body = { change: change.trim(), suspect };
    if (await now(() => ask(api.POST('/api/questions/{question_id}/trials', { params: path, body })))) {
      change = '';
      suspect = '';
    }
  }
  async function close(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    const body = { learned: learned.trim() };
    if (await now(() => ask(api.POST('/api/questions/{question_id}/close', { params: path, body })))) closing = false;
  }
  const counts = (bake_id: string, yes: boolean) =>
    void now(() =>
      ask(
        api.PUT('/api/questions/{question_id}/bakes/{bake_id}', {
          params: { path: { question_id, bake_id } },
          body: { counts: yes },
        }),
      ),
    );
  const wordsOf = (cause: string) => causes.find((c) => c.cause === cause)?.words ?? cause;
  const leverOf = (cause: string) => causes.find((c) => c.cause === cause)?.lever ?? '';
  const open = $derived((question?.suspects ?? []).filter((s) => !question?.trials.some((t) => t.suspect === s)));
</script>

{#if problem}<Notice {problem} onclose={() => (problem = null)} />{/if}
{#if !told && !problem}<div class="px-6"><Loading what="the question" /></div>{/if}
{#if told && question}
  <div class="max-w-4xl px-4 py-5 sm:px-6">
    <h1 class="text-3xl">{question.text}</h1>
    <p class="text-quiet">
      <a
        class="inline-flex min-h-11 items-center underline"
        href={p('/book/:formula', { params: { formula: question.formula } })}>{title || question.formula}</a
      >, {question.faults.join(', ')}; open since {day(question.opened_at)}{question.closed_at
        ? `, closed ${day(question.closed_at)}`
        : ''}
    </p>
    <p class="mt-2 font-display text-2xl font-semibold" role="status">{told.says}</p>
    {#if trying}<p class="mt-1 text-lg">
        Tried now, in every bake of this formula: <strong>{trying.change}</strong>
      </p>{/if}

    {#if told.before.length > 0}
      <h2 class="mt-5 text-xl">{question.trials.length ? 'Before' : 'So far'}</h2>
      {@render row(told.before)}
    {/if}
    {#each told.trials as t (t.trial.id)}
      <h2 class="mt-5 text-xl">{t.trial.change}</h2>
      <p class="text-quiet">
        {t.trial.suspect ? `Against: ${wordsOf(t.trial.suspect)}. ` : ''}From {day(t.trial.begun_at)}{t.trial.ended_at
          ? ` to ${day(t.trial.ended_at)}`
          : ' on'}.
      </p>
      {@render row(t.bakes)}
      {#if t.bakes.length > 0}
        <div class="mt-1 grid max-w-xl grid-cols-[5rem_minmax(0,1fr)] items-center gap-x-3">
          {#each [['before', t.comparison.before], ['with it', t.comparison.after]] as const as [name, share] (name)}
            <span class="text-[15px]">{name}</span>
            <svg
              viewBox="0 0 400 22"
              class="w-full"
              role="img"
              aria-label="{name}: the fault comes in {Math.round(100 * share.low)} to {Math.round(
                100 * share.high,
              )} of 100 bakes"
            >
              <line x1="0" x2="400" y1="11" y2="11" stroke="var(--line)" stroke-width="3" />
              <line x1={400 * share.low} x2={400 * share.high} y1="11" y2="11" stroke="var(--ink)" stroke-width="7" />
              <circle
                cx={400 * share.likely}
                cy="11"
                r="8"
                fill="var(--surface)"
                stroke="var(--ink)"
                stroke-width="3"
              />
            </svg>
          {/each}
          <span></span><span class="flex justify-between text-[14px] text-quiet"
            ><span>never</span><span>how often it comes</span><span>always</span></span
          >
        </div>
        {#if t.comparison.says !== told.says}<p class="mt-1">{t.comparison.says}</p>{/if}
      {/if}
    {/each}

    {#if question.closed_at}
      <button
        class="act act-small mt-6"
        onclick={() => void now(() => ask(api.POST('/api/questions/{question_id}/reopen', { params: path })))}
        >Open it again</button
      >
    {:else}
      <form class="mt-6 space-y-3 border-t border-line pt-4" onsubmit={tryIt} aria-label="Try a change">
        <h2 class="text-xl">{trying ? 'Try another change' : 'Try one change'}</h2>
        {#if open.length > 0}
          <div class="flex flex-wrap gap-2" role="group" aria-label="Suspected">
            {#each open as key (key)}
              <button
                type="button"
                class="min-h-11 rounded-md border-2 px-3 {suspect === key
                  ? 'border-ink bg-ink text-ground'
                  : 'border-line'}"
                aria-pressed={suspect === key}
                onclick={() => {
                  suspect = suspect === key ? '' : key;
                  if (suspect && !change.trim()) change = leverOf(key);
                }}>{wordsOf(key)}</button
              >
            {/each}
          </div>
        {/if}
        <label class="block font-semibold"
          >The change<input
            class="field mt-1 font-normal"
            maxlength="300"
            placeholder="One thing only, so that it can be told"
            bind:value={change}
          /></label
        >
        <div class="flex flex-wrap gap-3">
          <button class="act act-now" disabled={!change.trim()}>Try it from the next bake on</button>
          {#if trying}<button
              type="button"
              class="act"
              onclick={() => void now(() => ask(api.POST('/api/questions/{question_id}/trials/end', { params: path })))}
              >Stop trying</button
            >{/if}
          {#if !closing}<button type="button" class="act" onclick={() => (closing = true)}>Close the question</button
            >{/if}
        </div>
      </form>
      {#if closing}
        <form class="mt-4 space-y-3" onsubmit={close} aria-label="Close the question">
          <label class="block font-semibold"
            >What was learned<textarea
              class="field mt-1 font-normal"
              rows="2"
              maxlength="1000"
              placeholder="It stands on the formula’s page from then on"
              bind:value={learned}></textarea></label
          >
          <button class="act act-now" disabled={!learned.trim()}>Close it</button>
          <button type="button" class="act" onclick={() => (closing = false)}>Keep it open</button>
        </form>
      {/if}
    {/if}
  </div>
{/if}

{#snippet row(bakes: Schemas['TriedBake'][])}
  {#if bakes.length === 0}<p class="text-quiet">No bake yet.</p>{/if}
  <ul class="mt-1 grid max-w-4xl gap-x-10 sm:grid-cols-2">
    {#each bakes as bake (bake.id)}
      <li class="flex min-h-12 items-center gap-3 border-t border-line {bake.counts ? '' : 'text-quiet line-through'}">
        <svg width="18" height="18" aria-hidden="true" class="shrink-0"
          ><circle
            cx="9"
            cy="9"
            r="7"
            fill={bake.came ? 'var(--ink)' : 'none'}
            stroke={bake.came ? 'var(--ink)' : 'var(--quiet)'}
            stroke-width="2.5"
          /></svg
        >
        <a class="whitespace-nowrap underline" href={p('/log/:bake', { params: { bake: bake.id } })}>{day(bake.at)}</a>
        <span class="grow">{bake.came ? 'it came' : 'it did not come'}{bake.stars ? `, ${bake.stars} of 5` : ''}</span>
        <button
          class="min-h-11 px-1 text-[15px] whitespace-nowrap text-quiet underline"
          onclick={() => counts(bake.id, !bake.counts)}
          >{bake.counts ? 'leave out' : 'count it'}<span class="sr-only">: {day(bake.at)}</span></button
        >
      </li>
    {/each}
  </ul>
{/snippet}
