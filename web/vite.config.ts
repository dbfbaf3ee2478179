/// <reference types="vitest/config" />
import { svelte } from '@sveltejs/vite-plugin-svelte';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [svelte(), tailwindcss()],
  build: { target: 'baseline-widely-available' },
  server: { proxy: { '/api': 'http://127.0.0.1:8321' } },
  resolve: process.env.VITEST ? { conditions: ['browser'] } : {},
  test: {
    environment: 'jsdom',
    include: ['tests/**/*.test.ts'],
    setupFiles: ['tests/setup.ts'],
    // A busy machine may take seconds to load a page's modules; what hangs is still told.
    testTimeout: 60_000,
  },
});
