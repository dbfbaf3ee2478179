<script lang="ts">
  import { Dialog } from 'bits-ui';
  import type { Snippet } from 'svelte';

  type Props = { open: boolean; title: string; description?: string; children: Snippet };
  let { open = $bindable(), title, description, children }: Props = $props();
</script>

<Dialog.Root bind:open>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-[#04100fb3]" />
    <Dialog.Content
      class="fixed inset-x-0 bottom-0 z-50 mx-auto max-h-[94dvh] w-full max-w-2xl overflow-y-auto rounded-t-lg bg-surface p-6 pb-8 text-ink sm:bottom-auto sm:top-[8dvh] sm:rounded-lg"
    >
      <div class="mb-4 flex items-start justify-between gap-4">
        <Dialog.Title class="font-display text-2xl font-semibold">{title}</Dialog.Title>
        <Dialog.Close class="-mt-2 -mr-2 min-h-12 px-3 font-semibold underline">Close</Dialog.Close>
      </div>
      {#if description}<Dialog.Description class="mb-4 text-quiet">{description}</Dialog.Description>{/if}
      {@render children()}
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
