<script lang="ts">
  import { api, ask, newKey, problemOf, type Problem, type Schemas } from '../../lib/api/client';
  import Choice from '../../lib/parts/Choice.svelte';
  import FaultPicker from '../../lib/parts/FaultPicker.svelte';
  import Loading from '../../lib/parts/Loading.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import { faultsOf, whyOfBake, whyOfFaults } from '../../lib/why';
  import { p, navigate } from '../../routes';

  const told = new URLSearchParams(location.search);
  let formula = $state(told.get('formula') ?? '');
  const from = told.get('bake');
  let all = $state<Schemas['QuestionTold'][] | null>(null);
  let entries = $state<Schemas['FormulaEntry'][]>([]);
  let known = $state<Schemas['FaultView'][]>([]);
  let causes = $state<Schemas['CauseView'][]>([]);
  let text = $state('');
  let faults = $state<string[]>([]);
  let suspects = $state<string[]>([]);
  let problem = $state<Problem | null>(null);
  let asking = $state(told.has('formula'));
  const key = newKey();

  const technique = $derived(entries.find((e) => e.id === formula)?.technique);

  async function begin(): Promise<void> {
    try {
      [all, entries] = await Promise.all([ask(api.GET('/api/questions')), ask(api.GET('/api/formulas'))]);
      if (from) {
        const why = await whyOfBake(from);
        faults = [...why.faults];
        suspects = why.causes.slice(0, 2).map((c) => c.cause);
        text = `${why.faults.join(', ').replace(/^./, (c) => c.toUpperCase())} every time`;
      }
    } catch (error) {
      problem = problemOf(error);
    }
  }
  void begin();
  $effect(() => {
    if (!technique) return;
    void faultsOf(technique).then(
      (found) => {
        known = found;
        faults = faults.filter((f) => found.some((k) => k.words === f));
      },
      () => {},
    );
  });
  $effect(() => {
    if (!technique || faults.length === 0) {
      causes = [];
      return;
    }
    void whyOfFaults(technique, [...faults]).then(
      (why) => (causes = why.causes),
      () => {},
    );
  });

  async function open(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    try {
      const kept = await ask(
        api.POST('/api/questions', {
          body: {
            client_key: key,
            formula,
            text: text.trim(),
            faults,
            suspects: suspects.filter((s) => causes.some((c) => c.cause === s)),
          },
        }),
      );
      await navigate('/log/questions/:question', { params: { question: kept.question.id } });
    } catch (error) {
      problem = problemOf(error);
    }
  }
  const titleOf = (id: string) => entries.find((e) => e.id === id)?.title ?? id;
</script>

<div class="max-w-4xl px-4 py-5 sm:px-6">
  <h1 class="text-3xl">Open questions</h1>
  {#if problem}<Notice {problem} onclose={() => (problem = null)} />{/if}
  {#if !all && !problem}<Loading what="the questions" />{/if}
  {#if all?.length === 0 && !asking}
    <p class="mt-2 max-w-prose text-lg text-quiet">
      What keeps going wrong stands here until it is known why: what is suspected, one change at a time, and what the
      bakes that tried it say.
    </p>
  {/if}
  <ul class="mt-2">
    {#each all ?? [] as one (one.question.id)}
      <li class="border-t border-line">
        <a class="block min-h-14 py-2" href={p('/log/questions/:question', { params: { question: one.question.id } })}>
          <strong class="text-lg">{one.question.text}</strong>
          <span class="text-quiet"> {titleOf(one.question.formula)}{one.question.closed_at ? ', closed' : ''}</span><br
          />
          {one.says}
        </a>
      </li>
    {/each}
  </ul>
  {#if !asking}
    <button class="act act-now mt-4" onclick={() => (asking = true)}>Ask a question</button>
  {:else}
    <form class="mt-4 space-y-4 border-t border-line pt-4" onsubmit={open} aria-label="A new question">
      <Choice
        label="Formula"
        value={formula}
        options={entries.map((e) => ({ value: e.id, label: e.title }))}
        onvalue={(v) => (formula = v)}
      />
      <label class="block font-semibold"
        >Question<input
          class="field mt-1 font-normal"
          maxlength="300"
          placeholder="The middle cracks every time"
          bind:value={text}
        /></label
      >
      {#if known.length > 0}
        <FaultPicker legend="What goes wrong" {known} bind:chosen={faults} wide />
      {/if}
      {#if causes.length > 0}
        <fieldset>
          <legend class="font-semibold">Suspected</legend>
          <div class="mt-1 flex flex-wrap gap-2">
            {#each causes as cause (cause.cause)}
              <label
                class="flex min-h-12 cursor-pointer items-center rounded-md border-2 border-line px-3 has-checked:border-ink has-checked:bg-ink has-checked:text-ground has-focus-visible:outline-3"
              >
                <input type="checkbox" class="sr-only" value={cause.cause} bind:group={suspects} />{cause.words}
              </label>
            {/each}
          </div>
        </fieldset>
      {/if}
      <button class="act act-now w-full sm:w-auto" disabled={!formula || !text.trim() || faults.length === 0}
        >Keep it open</button
      >
      {#if formula && text.trim() && faults.length === 0}<p class="text-quiet">
          Choose what goes wrong: bakes are counted by it.
        </p>{/if}
    </form>
  {/if}
</div>
