<script lang="ts">
  import { api, ask, newKey, problemOf, type BakeState, type Problem, type Schemas } from '../../lib/api/client';
  import Notice from '../../lib/parts/Notice.svelte';
  import Sheet from '../../lib/parts/Sheet.svelte';
  import { readable } from './photo';

  /** Photos of a bake: taken or chosen, at the bench and afterwards. */
  type Props = { bake: BakeState; onsaved: (state: BakeState) => void; heading?: boolean };
  let { bake, onsaved, heading = true }: Props = $props();

  type Shows = Schemas['PhotoView'];
  const SHOWS: Shows[] = ['crumb', 'top', 'side', 'the cut', 'other'];
  let shows = $state<Shows>('crumb');
  /** Those that are not on the disk yet: they stay here until they are. */
  let waiting = $state<{ key: string; shows: Shows; file: File; failed: boolean }[]>([]);
  let problem = $state<Problem | null>(null);
  let large = $state<number | null>(null);
  let open = $state(false);

  const path = $derived(`/api/bakes/${bake.id}/photos`);
  const seen = $derived(bake.photos.find((p) => p.number === large) ?? null);

  async function send(one: (typeof waiting)[number]): Promise<void> {
    try {
      const query = new URLSearchParams({ client_key: one.key, shows: one.shows });
      const body = await readable(one.file);
      const answer = await fetch(`${path}?${query}`, {
        method: 'POST',
        body,
        headers: { 'content-type': body.type || 'image/jpeg' },
      });
      const told = await answer.json();
      if (!answer.ok) {
        problem = told as Problem;
        // What was refused is no photo, whatever is tried; what failed is tried again.
        if (answer.status < 500) drop(one.key);
        else fail(one.key);
        return;
      }
      drop(one.key);
      onsaved(told as BakeState);
    } catch (error) {
      problem = {
        ...problemOf(error),
        detail: 'The photo could not be sent.',
        remedy: 'It is kept on this page: send it again when the server answers.',
      };
      fail(one.key);
    }
  }
  const drop = (key: string) => (waiting = waiting.filter((w) => w.key !== key));
  const fail = (key: string) => (waiting = waiting.map((w) => (w.key === key ? { ...w, failed: true } : w)));

  function chosen(event: Event): void {
    const field = event.currentTarget as HTMLInputElement;
    for (const file of field.files ?? []) {
      const one = { key: newKey(), shows, file, failed: false };
      waiting = [...waiting, one];
      void send(one);
    }
    field.value = '';
  }

  async function takeAway(number: number): Promise<void> {
    try {
      onsaved(
        await ask(
          api.POST('/api/bakes/{bake_id}/events', {
            params: { path: { bake_id: bake.id } },
            body: { kind: 'undone', client_key: newKey(), sequence: number },
          }),
        ),
      );
      open = false;
    } catch (error) {
      problem = problemOf(error);
    }
  }
</script>

<section aria-label="Photos">
  {#if heading}<h2 class="mb-2 text-xl">Photos</h2>{/if}
  {#if problem}<Notice {problem} onclose={() => (problem = null)} />{/if}
  <div class="flex flex-wrap gap-2" role="group" aria-label="What the photo shows">
    {#each SHOWS as one (one)}
      <button
        type="button"
        class="min-h-11 rounded-md border-2 px-3 {shows === one ? 'border-ink bg-ink text-ground' : 'border-line'}"
        aria-pressed={shows === one}
        onclick={() => (shows = one)}>{one}</button
      >
    {/each}
  </div>
  <div class="mt-2 flex flex-wrap gap-3">
    <label class="act act-small cursor-pointer has-focus-visible:outline-3">
      Take a photo
      <input class="sr-only" type="file" accept="image/*" capture="environment" onchange={chosen} />
    </label>
    <label class="act act-small cursor-pointer has-focus-visible:outline-3">
      Choose photos
      <input class="sr-only" type="file" accept="image/jpeg,image/png,image/webp" multiple onchange={chosen} />
    </label>
  </div>
  {#each waiting as one (one.key)}
    <p class="mt-2 flex items-center gap-3" role="status">
      {one.shows}: {one.failed ? 'not sent yet' : 'being kept …'}
      {#if one.failed}<button
          class="act act-small"
          onclick={() => {
            waiting = waiting.map((w) => (w.key === one.key ? { ...w, failed: false } : w));
            void send(one);
          }}>Send again</button
        >{/if}
    </p>
  {/each}
  {#if bake.photos.length > 0}
    <ul class="mt-3 flex flex-wrap gap-3">
      {#each bake.photos as photo (photo.number)}
        <li>
          <button
            class="block text-left"
            onclick={() => {
              large = photo.number;
              open = true;
            }}
            aria-label="{photo.shows}, full size"
          >
            <img
              src="{path}/{photo.number}?small=true"
              alt={photo.shows}
              class="h-36 w-auto max-w-60 rounded-sm object-cover"
              width={photo.width}
              height={photo.height}
              loading="lazy"
            />
            <span class="text-[15px]">{photo.shows}</span>
          </button>
        </li>
      {/each}
    </ul>
  {/if}
</section>
<Sheet bind:open title={seen?.shows ?? 'Photo'}>
  {#if seen}
    <img src="{path}/{seen.number}" alt={seen.shows} class="mx-auto max-h-[64dvh] w-auto" />
    <p class="mt-3 flex flex-wrap gap-x-5">
      <a class="inline-flex min-h-11 items-center underline" href="{path}/{seen.number}" target="_blank" rel="noopener"
        >Full size</a
      >
      <button class="min-h-11 underline" onclick={() => seen && void takeAway(seen.number)}>Take it away</button>
    </p>
  {/if}
</Sheet>
