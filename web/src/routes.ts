import { createRouter } from 'sv-router';
import Today from './views/today/Today.svelte';

export const { p, navigate, isActive, route } = createRouter({
  '/': Today,
  '/book': () => import('./views/book/Book.svelte'),
  '/book/read': () => import('./views/book/ReadIn.svelte'),
  '/book/meringue': () => import('./views/meringue/MeringuePage.svelte'),
  '/book/fold': () => import('./views/fold/FoldPage.svelte'),
  '/book/tins': () => import('./views/tins/TinsPage.svelte'),
  '/book/bake': () => import('./views/baking/BakingPage.svelte'),
  '/book/piping': () => import('./views/piping/PipingPage.svelte'),
  '/book/finishing': () => import('./views/finishing/FinishingPage.svelte'),
  '/book/patterns': () => import('./views/patterns/PatternPage.svelte'),
  '/book/:formula': () => import('./views/book/FormulaPage.svelte'),
  '/book/:formula/change': () => import('./views/book/ChangePage.svelte'),
  '/book/:formula/versions': () => import('./views/book/VersionsPage.svelte'),
  '/book/:formula/weigh': () => import('./views/book/WeighPage.svelte'),
  '/bench': () => import('./views/bench/BenchDoor.svelte'),
  '/bench/:bake': () => import('./views/bench/BenchPage.svelte'),
  '/log': () => import('./views/log/Log.svelte'),
  '/log/:bake': () => import('./views/log/BakeRecord.svelte'),
  '/kitchen/ovens/:oven': () => import('./views/ovens/OvenPage.svelte'),
  '/kitchen/learned': () => import('./views/learned/LearnedPage.svelte'),
  '/kitchen/safe-keeping': () => import('./views/keeping/KeepingPage.svelte'),
  '/kitchen/goods': () => import('./views/goods/GoodsPage.svelte'),
  '/kitchen': () => import('./views/kitchen/KitchenPage.svelte'),
  '*': Today,
});
