<script lang="ts">
  import { api, ask, problemOf, type Problem, type Schemas } from '../../lib/api/client';
  import Notice from '../../lib/parts/Notice.svelte';
  import { now } from '../../lib/now.svelte';
  import { when } from '../../lib/time';
  import { local, type DayPlanning, type Order } from './plan.svelte';

  /** Orders as they are jotted down: read, shown as they were understood, and kept. */
  type Props = { planning: DayPlanning; titles: Map<string, string> };
  let { planning, titles }: Props = $props();
  let text = $state('');
  let read = $state<Schemas['ReadOrders'] | null>(null);
  let problem = $state<Problem | null>(null);
  let busy = $state(false);
  let box = $state<HTMLTextAreaElement | null>(null);

  $effect(() => {
    const one = planning.changing;
    if (!one) return;
    text = one.text;
    box?.focus();
  });

  async function understand(): Promise<void> {
    if (!text.trim()) return;
    busy = true;
    problem = null;
    try {
      read = await ask(api.POST('/api/orders/read', { body: { text, now: local(now.value) } }));
      if (read.unread.length === 0) await keep(read.orders);
    } catch (error) {
      problem = problemOf(error);
    }
    busy = false;
  }

  async function keep(orders: Order[]): Promise<void> {
    const old = planning.changing;
    if (old && orders.length === 1 && read?.unread.length === 0) {
      // What is not written in the text stays as it was chosen.
      const same = orders[0]!.formula === old.order.formula;
      const { beforehand, but, note } = old.order;
      const order = same ? { ...orders[0]!, beforehand, but, note } : orders[0]!;
      if (await planning.replace(old.order.id ?? '', order)) {
        planning.changing = null;
        text = '';
        read = null;
      }
      return;
    }
    if (orders.length === 0 || !(await planning.add(orders))) return;
    if (old) await planning.remove(old.order);
    planning.changing = null;
    // What was not understood stays, to be written otherwise.
    text = read?.unread.map((u) => u.text).join('\n') ?? '';
    read = read && read.unread.length > 0 ? { ...read, orders: [], written: [] } : null;
  }

  async function choose(unread: Schemas['Unread'], order: Order): Promise<void> {
    if (!read) return;
    const left = read.unread.filter((u) => u !== unread);
    const orders = [...read.orders, order];
    read = { ...read, orders, unread: left };
    if (left.length === 0) await keep(orders);
  }

  const amount = (o: Order) =>
    [
      o.wish?.tin_count ? `${o.wish.tin_count} ×` : '',
      o.wish?.pieces ? `${o.wish.pieces} pieces` : '',
      o.wish?.servings ? `${o.wish.servings} servings` : '',
      o.wish?.total_g ? `${o.wish.total_g} g` : '',
    ]
      .filter(Boolean)
      .join(' ');
</script>

<form
  class="space-y-2"
  onsubmit={(e) => {
    e.preventDefault();
    void understand();
  }}
>
  <label class="block font-semibold" for="orders-text">What is to be ready, and when?</label>
  <textarea
    id="orders-text"
    class="field min-h-[76px] py-2 text-[17px] leading-snug"
    rows="2"
    maxlength="20000"
    placeholder="3 tea chiffon 20 cm, 40 pairs of almond shells, Saturday 9:00"
    bind:this={box}
    bind:value={text}
    onkeydown={(e) => {
      if (e.key === 'Enter' && (e.ctrlKey || e.metaKey)) void understand();
    }}></textarea>
  <button class="act act-small w-full {planning.orders.length === 0 ? 'act-now' : ''}" disabled={busy || !text.trim()}
    >{busy ? 'Reading…' : planning.changing ? 'Change it' : 'Add'}</button
  >
  {#if planning.changing}
    <button
      type="button"
      class="min-h-12 underline"
      onclick={() => {
        planning.changing = null;
        text = '';
      }}>Leave {planning.changing.title} as it was</button
    >
  {/if}
</form>
{#if problem}<Notice {problem} onclose={() => (problem = null)} />{/if}
{#if read && (read.unread.length > 0 || read.orders.length > 0)}
  <div class="mt-2 space-y-2 border-l-[6px] border-copper pl-3" role="group" aria-label="Not all is understood">
    {#each read.unread as u (u.text + u.says)}
      <div>
        <p><strong>{u.text}</strong>: {u.says} <span class="text-quiet">{u.remedy}</span></p>
        <div class="flex flex-wrap gap-x-4">
          {#each u.could as order (order.formula)}
            <button class="min-h-12 font-semibold underline" onclick={() => choose(u, order)}
              >{titles.get(order.formula) ?? order.formula}</button
            >
          {/each}
        </div>
      </div>
    {/each}
    {#if read.orders.length > 0}
      <p class="text-quiet">
        Understood: {read.orders
          .map((o) => `${amount(o)} ${titles.get(o.formula) ?? o.formula}`.trim() + `, ${when(o.due_at, now.value)}`)
          .join('; ')}
      </p>
      <button class="act act-small" onclick={() => keep(read?.orders ?? [])}>Keep what is understood</button>
    {/if}
  </div>
{/if}
