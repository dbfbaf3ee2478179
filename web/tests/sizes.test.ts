import { expect, test } from 'vitest';
import { sizesOf } from '../src/views/piping/piping.svelte';

test.each([
  ['40 40.5 41', [40, 40.5, 41]],
  ['40,5; 41,2', [40.5, 41.2]],
  ['40, 41, 42', [40, 41, 42]],
  ['40,41,42', [40, 41, 42]],
  ['40 mm\n41 mm', [40, 41]],
  ['none', []],
])('widths written as %s', (text, sizes) => {
  expect(sizesOf(text)).toEqual(sizes);
});
