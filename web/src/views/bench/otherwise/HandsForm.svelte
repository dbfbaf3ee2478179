<script lang="ts">
  import type { Kitchen } from '../../../lib/api/client';
  import type { Otherwise } from './otherwise.svelte';

  type Props = { otherwise: Otherwise; kitchen: Kitchen };
  let { otherwise, kitchen }: Props = $props();
  let picked = $state('');
</script>

<ul aria-label="People">
  {#each kitchen.people ?? [] as person (person.id)}
    <li class="border-t border-line">
      <button
        class="min-h-14 w-full text-left text-lg {picked === person.id ? 'font-bold' : ''}"
        aria-pressed={picked === person.id}
        onclick={() => {
          picked = person.id;
          otherwise.change({ change: 'taken_over', hands: person.id });
        }}>{person.name}</button
      >
    </li>
  {/each}
</ul>
