<script lang="ts">
  import { Router } from 'sv-router';
  import { switchUnits, units } from './lib/figures.svelte';
  import { look } from './lib/theme.svelte';
  import Passcode from './lib/parts/Passcode.svelte';
  import Standing from './lib/parts/Standing.svelte';
  import { p, route } from './routes';

  const views = [
    { path: p('/'), name: 'Today' },
    { path: p('/book'), name: 'Book' },
    { path: p('/plan'), name: 'Plan' },
    { path: p('/bench'), name: 'Bench' },
    { path: p('/log'), name: 'Log' },
    { path: p('/kitchen'), name: 'Kitchen' },
  ];
  const here = (path: string) => (path === '/' ? route.pathname === '/' : route.pathname.startsWith(path));
  const next = { auto: 'light', light: 'dark', dark: 'auto' } as const;
</script>

<div class="flex min-h-dvh flex-col">
  <header
    class="no-print order-last flex flex-wrap items-center gap-x-1 border-line bg-surface px-2 max-sm:sticky max-sm:bottom-0 max-sm:z-30 max-sm:border-t sm:order-first sm:border-b sm:px-5"
  >
    <a
      href={p('/')}
      class="mr-4 hidden items-center gap-2 font-display text-lg font-bold md:flex"
      aria-label="Kind Whisk, to Today"
    >
      <img src="/icon.svg" alt="" width="26" height="26" />Kind Whisk
    </a>
    <nav aria-label="Views" class="flex grow justify-between sm:justify-start">
      {#each views as view (view.path)}
        <a
          href={view.path}
          aria-current={here(view.path) ? 'page' : undefined}
          class="flex min-h-14 items-center px-2.5 text-[17px] sm:min-h-11 sm:px-3.5 {here(view.path)
            ? 'font-bold underline decoration-[3px] underline-offset-[7px]'
            : 'text-quiet'}">{view.name}</a
        >
      {/each}
    </nav>
    <div class="hidden gap-1 text-[15px] text-quiet sm:flex">
      <button
        class="min-h-12 px-2.5"
        onclick={switchUnits}
        aria-label="Units: {units.system === 'us' ? 'ounces and Fahrenheit' : 'grams and Celsius'}. Switch"
      >
        {units.system === 'us' ? 'oz, °F' : 'g, °C'}
      </button>
      <button
        class="min-h-12 px-2.5"
        onclick={() => look.next()}
        aria-label="Light: {look.theme}. Change to {next[look.theme]}"
      >
        {look.theme === 'auto' ? 'light: auto' : look.theme}
      </button>
    </div>
  </header>
  <Standing />
  <main class="flex grow flex-col">
    <Router />
  </main>
</div>
<Passcode />
