<script lang="ts">
  import { p, route } from '../../routes';

  type Props = { id: string; title: string; technique: string; version: number };
  let { id, title, technique, version }: Props = $props();

  const places = $derived([
    { path: p('/book/:formula', { params: { formula: id } }), name: 'Scale and look' },
    { path: p('/book/:formula/weigh', { params: { formula: id } }), name: 'Weigh list' },
    { path: p('/book/:formula/change', { params: { formula: id } }), name: 'Change' },
    { path: p('/book/:formula/versions', { params: { formula: id } }), name: 'Versions' },
  ]);
</script>

<div class="no-print flex flex-wrap items-baseline justify-between gap-x-6">
  <h1 class="text-3xl">{title}</h1>
  <p class="text-quiet">{technique}, version {version}</p>
</div>
<nav class="no-print -ml-2 mb-2 flex flex-wrap" aria-label="This formula">
  {#each places as place (place.path)}
    <a
      href={place.path}
      aria-current={route.pathname === place.path ? 'page' : undefined}
      class="flex min-h-11 items-center px-2 text-[16px] {route.pathname === place.path
        ? 'font-bold underline decoration-[3px] underline-offset-[6px]'
        : 'text-quiet'}">{place.name}</a
    >
  {/each}
</nav>
