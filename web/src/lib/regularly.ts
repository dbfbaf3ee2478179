import { untrack } from 'svelte';
import { live } from './live.svelte';

/**
 * Do something now, soon after the kitchen tells of changes or is there again (once for many), and every so often.
 * Returns its end.
 */
export function regularly(work: () => unknown, everyMs: number, calmMs = 1500): () => void {
  let calm: ReturnType<typeof setTimeout> | undefined;
  // What is read by the work is not what makes it begin anew.
  void untrack(work);
  const stop = live.listen(() => {
    clearTimeout(calm);
    calm = setTimeout(() => void work(), calmMs);
  });
  const timer = setInterval(() => void work(), everyMs);
  return () => {
    stop();
    clearInterval(timer);
    clearTimeout(calm);
  };
}
