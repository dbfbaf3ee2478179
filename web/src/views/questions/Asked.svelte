<script lang="ts">
  import { api, ask, type Schemas } from '../../lib/api/client';
  import { p } from '../../routes';

  /** What is open on a formula, and what was learned of it. */
  type Props = { formula: string };
  let { formula }: Props = $props();
  let all = $state<Schemas['QuestionTold'][]>([]);
  $effect(() => {
    void ask(api.GET('/api/questions', { params: { query: { formula } } })).then(
      (found) => (all = found),
      () => {},
    );
  });
</script>

{#if all.length > 0}
  <section aria-label="Questions" class="mt-6">
    <h2 class="mb-1 text-xl">Asked and learned</h2>
    <ul>
      {#each all as one (one.question.id)}
        <li class="border-t border-line">
          <a
            class="block min-h-11 py-1.5"
            href={p('/log/questions/:question', { params: { question: one.question.id } })}
          >
            <strong>{one.question.text}</strong>
            {#if one.question.closed_at}<span>{one.question.learned}</span>{:else}<span class="text-quiet"
                >{one.says}</span
              >{/if}
          </a>
        </li>
      {/each}
    </ul>
  </section>
{/if}
