<script lang="ts">
  import type { Schemas } from '../../lib/api/client';
  import { now } from '../../lib/now.svelte';
  import Choice from '../../lib/parts/Choice.svelte';
  import Loading from '../../lib/parts/Loading.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import { clock, day, length } from '../../lib/time';
  import { p } from '../../routes';
  import CopiesInTime from './CopiesInTime.svelte';
  import { ago, KeepingState, size } from './keeping.svelte';
  import LookSheet from './LookSheet.svelte';

  const page = new KeepingState();
  $effect(() => page.follow());
  const view = $derived(page.view);
  let folder = $state<string | null>(null);

  const OFTEN = [
    { value: '0', label: 'only by hand' },
    { value: '1', label: 'every hour' },
    { value: '6', label: 'every 6 hours' },
    { value: '24', label: 'every day' },
    { value: '168', label: 'every week' },
  ];
  const moved = (s: number) => `${s > 0 ? 'on' : 'back'} by ${length(s)}`;
</script>

{#snippet copies(title: string, list: Schemas['CopyView'][], none: string)}
  <section class="mt-6" aria-label={title}>
    <h2 class="text-2xl">{title}</h2>
    {#if list.length === 0}<p class="text-quiet">{none}</p>{/if}
    <ul>
      {#each list as copy (copy.name)}
        <li class="flex flex-wrap items-center gap-x-5 border-t border-line py-1">
          <span class="w-44 font-semibold">{day(copy.made_at)}, {clock(copy.made_at)}</span>
          <span class="w-28 text-quiet">{ago(copy.made_at, now.value)}</span>
          <span class="w-20 text-quiet">{size(copy.size_bytes)}</span>
          <span class="flex gap-2">
            <button class="min-h-12 px-2 font-semibold underline" onclick={() => void page.look(copy)}
              >Look into it</button
            >
            <a
              class="flex min-h-12 items-center px-2 underline"
              href="/api/keeping/copy?where={copy.where}&name={encodeURIComponent(copy.name)}"
              download={copy.name}>Save on this device</a
            >
          </span>
        </li>
      {/each}
    </ul>
  </section>
{/snippet}

<div class="px-4 py-5 sm:px-6">
  <p><a class="text-quiet underline" href={p('/kitchen')}>Kitchen</a></p>
  <h1 class="text-3xl">Safe keeping</h1>
  {#if page.problem}<Notice problem={page.problem} onclose={() => (page.problem = null)} />{/if}
  <p class="min-h-7" role="status">
    {#if page.doing}{page.doing} …{:else if page.done}<strong>{page.done}</strong>{/if}
  </p>
  {#if !view && !page.problem}<Loading what="how the data stand" />{/if}
  {#if view}
    <div class="grid grid-cols-[minmax(0,1fr)] gap-x-12 gap-y-6 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
      <div class="min-w-0">
        <section aria-label="Backups in time">
          <p class="text-xl">
            {#if view.backups[0]}The last backup was made <strong>{ago(view.backups[0].made_at, now.value)}</strong>.
            {:else}<strong>There is no backup yet.</strong>{/if}
            {#if view.due_at && Date.parse(view.due_at) > now.value}The next one is made {day(view.due_at)}, {clock(
                view.due_at,
              )}.{/if}
          </p>
          <CopiesInTime copies={view.backups} dueAt={view.due_at} now={now.value} />
          <div class="mt-2 flex flex-wrap gap-3">
            <button class="act act-now" disabled={page.doing !== ''} onclick={() => void page.backUp()}
              >Make a backup now</button
            >
            <button class="act" disabled={page.doing !== ''} onclick={() => void page.check()}
              >Look through all of the data</button
            >
          </div>
          {#if view.same_disk}
            <p class="mt-3 max-w-prose border-l-4 border-copper pl-3">
              <strong>Backups lie on the disk of the data.</strong> They help after a slip, not when that disk breaks: choose
              a folder on another one, such as a stick or a shared drive, or save one on this device now and then.
            </p>
          {/if}
        </section>
        {@render copies(
          'Backups',
          view.backups,
          'The newest seven stay, then one a week for four weeks, then one a month.',
        )}
        {#if view.aside.length > 0}{@render copies('Kept aside', view.aside, '')}{/if}
      </div>
      <div class="min-w-0">
        <section class="grid gap-3" aria-label="The plan">
          <h2 class="text-2xl">The plan</h2>
          <Choice
            label="Make a backup"
            value={String(view.plan.every_h)}
            options={OFTEN}
            onvalue={(hours) => view && void page.plan({ ...view.plan, every_h: Number(hours) })}
          />
          <form
            class="grid gap-2"
            onsubmit={(event) => {
              event.preventDefault();
              void page.plan({ ...view.plan, folder: (folder ?? view.plan.folder).trim() });
            }}
          >
            <label class="font-semibold"
              >Into the folder
              <input
                class="field mt-1 font-normal"
                value={folder ?? view.plan.folder}
                placeholder={view.folder}
                oninput={(event) => (folder = event.currentTarget.value)}
              /></label
            >
            <button class="act act-small justify-self-start">Use this folder</button>
          </form>
        </section>

        <section class="mt-6 grid gap-2" aria-label="All of it, out and in">
          <h2 class="text-2xl">All of it, out and in</h2>
          <p class="max-w-prose text-quiet">
            As an open archive: a zip of JSON lines and CSV that other programs can read, and that can be put in place
            again without loss.
          </p>
          <div class="flex flex-wrap gap-3">
            <a class="act act-small" href="/api/keeping/archive" download>Save everything</a>
            <label class="act act-small cursor-pointer focus-within:outline-3"
              >Read a backup or an archive in
              <input
                class="sr-only"
                type="file"
                accept=".zip,.sqlite3"
                onchange={(event) => {
                  const file = event.currentTarget.files?.[0];
                  event.currentTarget.value = '';
                  if (file) void page.giveIn(file);
                }}
              /></label
            >
          </div>
        </section>

        <section class="mt-6" aria-label="The data">
          <h2 class="text-2xl">The data</h2>
          <p class="break-all">{view.file}</p>
          <p class="text-quiet">
            {size(view.size_bytes)}{#if view.room_bytes != null}, {size(view.room_bytes)} left on the disk{/if}
          </p>
        </section>

        {#if view.clock.length > 0}
          <section class="mt-6" aria-label="The clock">
            <h2 class="text-2xl">The clock</h2>
            <ul>
              {#each view.clock.slice(-5) as move (move.wall_at)}
                <li>
                  {day(move.at)}, {clock(move.at)}: {move.moved_s
                    ? `set ${moved(move.moved_s)}`
                    : 'the new time was taken'}
                </li>
              {/each}
            </ul>
            {#if view.clock_lead_s !== 0}
              <button class="act act-small mt-2" onclick={() => void page.takeClock()}>Take the new time now</button>
            {/if}
          </section>
        {/if}

        {#if page.devices.length > 0}
          <section class="mt-6" aria-label="Devices that are let in">
            <h2 class="text-2xl">Devices that are let in</h2>
            <ul>
              {#each page.devices as device (device.id)}
                <li class="flex items-center gap-4 border-t border-line py-1">
                  <span class="min-w-0 grow">
                    <span class="line-clamp-1 break-all">{device.device || 'unknown'}</span>
                    <span class="text-quiet"
                      >{device.own ? 'this one' : `last here ${ago(device.seen_at, now.value)}`}</span
                    >
                  </span>
                  <button class="min-h-12 px-2 underline" onclick={() => void page.end(device.id)}
                    >Let in no more</button
                  >
                </li>
              {/each}
            </ul>
          </section>
        {/if}
      </div>
    </div>
  {/if}
</div>
<LookSheet {page} />
