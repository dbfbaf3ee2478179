<script lang="ts">
  import type { Schemas } from '../api/client';

  /** What was entered and lies far off: asked once, answered or taken back. */
  type Props = { questions: Schemas['QuestionView'][]; onanswer: (sequence: number, right: boolean) => void };
  let { questions, onanswer }: Props = $props();

  const ANSWERS = {
    reading: ['It is right', 'Take it back'],
    time: ['It took that', 'Leave its time out'],
    height: ['It is right', 'Don’t count it'],
  } as const;
</script>

{#each questions as question (question.sequence)}
  {@const [yes, no] = ANSWERS[question.entry]}
  <section
    role="status"
    aria-label="A question about what was entered"
    class="flex flex-wrap items-center justify-between gap-x-8 gap-y-2 border-l-[6px] border-raspberry bg-surface px-4 py-2 sm:px-6"
  >
    <p class="max-w-prose min-w-0 grow basis-80 text-[17px]">{question.text}</p>
    <p class="flex flex-wrap gap-3">
      <button class="act act-small" onclick={() => onanswer(question.sequence, true)}>{yes}</button>
      <button class="act act-small" onclick={() => onanswer(question.sequence, false)}>{no}</button>
    </p>
  </section>
{/each}
