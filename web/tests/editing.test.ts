import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Editor, shareOf, type Formula, type LooseStep } from '../src/views/book/editor.svelte';
import { Proposal } from '../src/views/book/proposal.svelte';
import { asText, ReadingIn, type Draft } from '../src/views/book/reading.svelte';
import { problem, serverWith } from './server';

const take = (step: string, more: object = {}) => ({
  source: 'step' as const,
  step,
  rest: false,
  offcut: false,
  ...more,
});
const step = (id: string, inputs: object[] = [], more: object = {}) =>
  ({
    id,
    kind: 'fold',
    title: id,
    vessel: 'bowl',
    component: 'sponge',
    after: [],
    note: '',
    inputs,
    ...more,
  }) as unknown as LooseStep;

/** Whip, warm, fold both, bake. */
const formula = () =>
  ({
    id: 'chiffon',
    title: 'Chiffon',
    components: [{ id: 'sponge', name: 'sponge', part: 'sponge' }],
    vessels: [{ id: 'bowl', name: 'bowl', form: 'bowl', diameter_mm: 220, height_mm: 110 }],
    steps: [
      step('whip', [{ source: 'ingredient', ingredient: 'egg-white', grams: 120 }]),
      step('fold', [take('whip', { fraction: 0.3 }), take('whip', { rest: true })]),
      step('bake', [take('fold')], { after: ['fold'] }),
    ],
  }) as unknown as Formula;

const GOODS = { 'unknown-moon-1': 'moon crackle' };

const KIND = { kind: 'rest', draft: { kind: 'rest', minutes: 10 } };
const BOOK = {
  'GET /api/formulas/{formula_id}': () => ({ version: 3, formula: formula(), goods: GOODS }),
  'GET /api/formulas/kinds': () => [KIND],
  'GET /api/craft/ingredients': () => [],
  'GET /api/kitchen': () => ({ kitchen: { tins: [] } }),
};

async function opened(answers: Parameters<typeof serverWith>[0] = {}) {
  const asked = serverWith({ ...BOOK, ...answers });
  const editor = new Editor('chiffon');
  await editor.load();
  return { editor, asked };
}
const sources = (editor: Editor, id: string) =>
  editor.steps.find((s) => s.id === id)!.inputs.map((p) => (p.source === 'step' ? p.step : p.ingredient));

beforeEach(() => {
  vi.useFakeTimers();
  localStorage.clear();
});
afterEach(() => {
  vi.useRealTimers();
  vi.restoreAllMocks();
});

describe('a process being changed', () => {
  it('puts a step between its picked one and all that took it', async () => {
    const { editor } = await opened();
    editor.picked = 'whip';
    editor.add('rest');
    expect(editor.steps.map((s) => s.id)).toEqual(['whip', 'rest-1', 'fold', 'bake']);
    expect(editor.picked).toBe('rest-1');
    expect(editor.step).toMatchObject({
      kind: 'rest',
      minutes: 10,
      vessel: 'bowl',
      component: 'sponge',
      title: 'Rest',
    });
    expect(sources(editor, 'rest-1')).toEqual(['whip']);
    expect(sources(editor, 'fold')).toEqual(['rest-1', 'rest-1']);
    editor.add('rest');
    expect(editor.picked).toBe('rest-2');
    expect(sources(editor, 'fold')).toEqual(['rest-2', 'rest-2']);
    editor.add('no such kind');
    expect(editor.steps).toHaveLength(5);
  });

  it('closes the gap that a step leaves, if one thing went into it', async () => {
    const { editor } = await opened();
    editor.picked = 'whip';
    editor.add('rest');
    editor.remove('rest-1');
    expect(editor.steps.map((s) => s.id)).toEqual(['whip', 'fold', 'bake']);
    expect(sources(editor, 'fold')).toEqual(['whip', 'whip']);
    editor.remove('fold');
    expect(sources(editor, 'bake')).toEqual([]);
    expect(editor.steps.find((s) => s.id === 'bake')!.after).toEqual([]);
  });

  it('picks the neighbour of what was taken out', async () => {
    const { editor } = await opened();
    editor.remove('bake');
    expect(editor.picked).toBe('fold');
    editor.remove('whip');
    expect(editor.picked).toBe('fold');
    editor.remove('fold');
    expect(editor.picked).toBeNull();
    editor.remove('never there');
    expect(editor.steps).toEqual([]);
  });

  it('takes every change back, and is as it was when all are', async () => {
    const { editor } = await opened();
    expect([editor.changed, editor.canUndo]).toEqual([false, false]);
    editor.picked = 'fold';
    editor.add('rest');
    editor.move('bake', -1);
    editor.set('note', 'gently');
    editor.setShare(0, 'grams');
    editor.addComponent();
    editor.addVessel();
    expect(editor.changed).toBe(true);
    for (let n = 0; n < 6; n++) editor.undo();
    expect([editor.changed, editor.canUndo]).toEqual([false, false]);
    expect(editor.formula).toEqual(formula());
    expect(editor.steps.map((s) => s.id)).toContain(editor.picked);
    editor.undo();
    expect(editor.formula).toEqual(formula());
  });

  it('moves a step no further than the ends', async () => {
    const { editor } = await opened();
    const order = () => editor.steps.map((s) => s.id).join(' ');
    editor.move('bake', -1);
    expect(order()).toBe('whip bake fold');
    editor.move('bake', -2);
    editor.move('fold', 1);
    editor.move('never there', 1);
    expect(order()).toBe('whip bake fold');
  });

  it('takes of an earlier step all, a part, grams or the rest', async () => {
    const { editor } = await opened();
    editor.picked = 'bake';
    const seen = (['part', 'grams', 'the rest', 'all'] as const).map((share) => {
      editor.setShare(0, share);
      return { share: shareOf(editor.step!.inputs[0]!), ...editor.step!.inputs[0] };
    });
    expect(seen).toEqual([
      { share: 'part', ...take('fold', { fraction: 0.5 }) },
      { share: 'grams', ...take('fold', { grams: 100 }) },
      { share: 'the rest', ...take('fold', { rest: true }) },
      { share: 'all', ...take('fold') },
    ]);
    editor.picked = 'whip';
    editor.setShare(0, 'part');
    expect(editor.step!.inputs[0]).toMatchObject({ ingredient: 'egg-white', grams: 120 });
  });

  it('gets portions of what there is, and gives them up again', async () => {
    const { editor } = await opened();
    editor.picked = 'whip';
    editor.addPortion('step');
    editor.addPortion('ingredient');
    expect(sources(editor, 'whip')).toEqual(['egg-white', 'sugar']);
    editor.picked = 'bake';
    editor.addPortion('step');
    editor.removePortion(0);
    expect(sources(editor, 'bake')).toEqual(['fold']);
  });

  it('gets parts and bowls under ids that are free', async () => {
    const { editor } = await opened();
    editor.change((f) => f.vessels.push({ ...f.vessels[0]!, id: 'bowl-3' }));
    editor.addVessel();
    expect(editor.formula!.vessels.map((v) => v.id)).toEqual(['bowl', 'bowl-3', 'bowl-4']);
    editor.change((_, steps) => void (steps[2]!.component = 'glaze'));
    editor.set('component', '');
    editor.addComponent();
    expect(editor.formula!.components.map((c) => c.id)).toEqual(['sponge', 'part-2']);
    expect(editor.steps.map((s) => s.component)).toEqual(['sponge', 'sponge', 'glaze']);
  });
});

describe('what is being changed', () => {
  it('is there again after the page was left, until the Book has another version', async () => {
    const first = (await opened()).editor;
    first.set('note', 'gently');
    first.consider();
    const again = (await opened()).editor;
    expect([again.restored, again.changed]).toEqual([true, true]);
    expect(again.steps[0]!.note).toBe('gently');
    again.startOver();
    expect([again.restored, again.changed, again.steps[0]!.note]).toEqual([false, false, '']);
    again.undo();
    expect(again.steps[0]!.note).toBe('gently');
    const newer = { 'GET /api/formulas/{formula_id}': () => ({ version: 4, formula: formula(), goods: {} }) };
    expect((await opened(newer)).editor.restored).toBe(false);
  });

  it('is not stopped by what is no draft', async () => {
    localStorage.setItem('kindwhisk.change.chiffon', '{"version":');
    const { editor } = await opened();
    expect([editor.problem, editor.restored, editor.steps.length]).toEqual([null, false, 3]);
  });

  it('goes to the Book on the version that it began from, and stays here when it is refused', async () => {
    const refusal = problem({ status: 409, detail: 'Somebody else changed it.' });
    let said: object = refusal;
    const { editor, asked } = await opened({ 'PUT /api/formulas/{formula_id}': () => said });
    editor.set('note', 'gently');
    editor.consider();
    expect(await editor.keep()).toBeNull();
    expect(editor.problem).toEqual(refusal);
    expect(localStorage.getItem('kindwhisk.change.chiffon')).toContain('gently');
    said = { version: 4 };
    expect(await editor.keep()).toBe(4);
    expect(localStorage.getItem('kindwhisk.change.chiffon')).toBeNull();
    expect(asked.filter((c) => c.verb === 'PUT').map((c) => c.body)).toMatchObject([{ based_on: 3 }, { based_on: 3 }]);
  });

  it('offers goods that only the formula brings, such as one that is not known yet', async () => {
    const { editor } = await opened();
    expect(editor.ingredients.map((i) => [i.id, i.name])).toEqual([['unknown-moon-1', 'moon crackle']]);
  });

  it('is blocked while something blocks it or nothing is forecast', async () => {
    const checks: object[] = [
      { findings: [{ blocks: true }], forecast: {} },
      { findings: [], forecast: null },
      { findings: [{ blocks: false }], forecast: {} },
    ];
    const { editor } = await opened({ 'POST /api/formulas/check': () => checks.shift()! });
    const blocked: boolean[] = [editor.blocked];
    for (let n = 0; n < 3; n++) {
      editor.consider();
      await vi.advanceTimersByTimeAsync(300);
      blocked.push(editor.blocked);
    }
    expect(blocked).toEqual([true, true, true, false]);
  });
});

describe('a recipe being read in', () => {
  type Told = { kind: string; text: string; group?: string; steps?: string[] };
  const row = (told: Told) => ({ group: '', says: told.kind, steps: [], line: null, ...told });
  const rowsOf = (lines: string[], sentences: Told[]) => [
    ...lines.map((text, line) => row({ kind: 'ingredient', text, ...{ line } })),
    ...sentences.map(row),
  ];
  const draft = (lines: string[], more: object = {}, sentences: Told[] = [{ kind: 'sentence', text: 'Whip.' }]) =>
    ({
      title: 'Roll',
      lines: lines.map((text) => ({ text })),
      rows: rowsOf(lines, sentences),
      keys: {},
      ...more,
    }) as unknown as Draft;
  const file = (name: string, text: string) => ({ name, text: async () => text }) as unknown as File;

  async function reading(text: string, answer: Draft) {
    const asked = serverWith({ 'POST /api/formulas/read': () => answer });
    const state = new ReadingIn();
    state.text = text;
    state.consider();
    await vi.waitFor(() => expect(state.draft).not.toBeNull());
    return { state, asked };
  }

  it('is kept on this device from the first letter on', async () => {
    const { state } = await reading('Roll\n50 g sugar', draft(['50 g sugar']));
    expect(new ReadingIn().text).toBe('Roll\n50 g sugar');
    state.text = '  ';
    state.consider();
    expect([state.draft, new ReadingIn().text]).toEqual([null, '  ']);
  });

  it('mends the line that was meant, not one that holds the same letters', async () => {
    const { state } = await reading('Roll\n150 g sugar\n50 g sugar', draft(['150 g sugar', '50 g sugar']));
    state.mendRow(1, '60 g honey');
    expect(state.text).toBe('Roll\n150 g sugar\n60 g honey');
    state.mendRow(0, '$& and $1');
    expect(state.text).toBe('Roll\n$& and $1\n60 g honey');
  });

  it('mends the second of two lines that read the same', async () => {
    const { state } = await reading('30 g sugar\nfor later\n30 g sugar', draft(['30 g sugar', '30 g sugar']));
    state.mendRow(1, '40 g sugar');
    expect(state.text).toBe('30 g sugar\nfor later\n40 g sugar');
  });

  it('is written out with a heading over each group', () => {
    const rows = [
      row({ kind: 'ingredient', text: '120 g whites', group: 'foam' }),
      row({ kind: 'ingredient', text: '60 g sugar', group: 'foam' }),
      row({ kind: 'ingredient', text: '40 g oil', group: 'base' }),
      row({ kind: 'sentence', text: 'Whip.', group: 'foam' }),
      row({ kind: 'sentence', text: 'Fold.', group: 'foam' }),
    ];
    expect(asText(draft([], { rows }))).toBe(
      'Roll\n\nIngredients\nFor the foam:\n120 g whites\n60 g sugar\nFor the base:\n40 g oil\n\nMethod\nfoam:\nWhip.\nFold.',
    );
  });

  it('comes from a file: a recipe, a table or plain text', async () => {
    const asked = serverWith({ 'POST /api/formulas/read': () => draft(['50 g sugar'], { formula: formula() }) });
    const state = new ReadingIn();
    await state.open(file('a.txt', 'plain'));
    expect(state.text).toBe('plain');
    await state.open(file('A.CSV', 'ingredient;grams'));
    expect(asked.at(-1)!.body).toEqual({ text: 'ingredient;grams', format: 'csv' });
    await state.open(file('a.jsonld', '[{"@type":"Recipe"}]'));
    expect(asked.at(-1)!.body).toEqual({ '@graph': [{ '@type': 'Recipe' }] });
    expect([state.whole, state.text]).toEqual([null, 'Roll\n\nIngredients\n50 g sugar\n\nMethod\nWhip.']);
    await state.open(file('whole.json', '{"kindwhisk:process":{}}'));
    expect(state.formula).toEqual(formula());
  });

  it('leaves what was typed alone when a file is none, and says which', async () => {
    const { state } = await reading('Roll\n50 g sugar', draft(['50 g sugar']));
    await state.open(file('page.json', '<html>'));
    expect(state.problem!.detail).toContain('“page.json” is not JSON. Choose a .jsonld file');
    expect(state.text).toBe('Roll\n50 g sugar');
  });

  const TEXT = 'Roll\n50 g sugar\nWhip it, then fold.\nBake.';
  const told = () =>
    draft(
      ['50 g sugar'],
      {
        formula: {
          id: 'roll',
          steps: [
            { id: 'whip', kind: 'whip' },
            { id: 'bake', kind: 'bake', oven_c: 170 },
          ],
        },
        keys: { whip: 'whip|1|Whip it, then fold.', bake: 'bake|1|Bake.' },
      },
      [
        { kind: 'sentence', text: 'Whip it, then fold.', steps: ['whip'] },
        { kind: 'sentence', text: 'Bake.', steps: ['bake'] },
      ],
    );

  it('shows a step with its sentence, and a sentence with its step', async () => {
    const { state } = await reading(TEXT, told());
    state.pick('bake');
    expect(state.sentence).toBe('Bake.');
    state.turnTo(state.sentences[0]!);
    expect(state.picked).toBe('whip');
    state.pick(null);
    expect(state.sentence).toBeNull();
  });

  it('splits a sentence at the cursor, and joins two', async () => {
    const { state } = await reading(TEXT, told());
    state.split(1, 'Whip it,'.length);
    expect(state.text).toBe('Roll\n50 g sugar\nWhip it.\nthen fold.\nBake.');
    state.text = TEXT;
    state.join(1);
    expect(state.text).toBe('Roll\n50 g sugar\nWhip it, then fold, Bake.');
  });

  it('keeps what is corrected on a step, on this device and in what it asks', async () => {
    const { state, asked } = await reading(TEXT, told());
    state.pick('bake');
    state.set('oven_c', 160);
    state.set('mode', 'fan');
    state.leaveOut('whip');
    state.means('Bake.', 'Whip it, then fold.');
    state.means('Bake.', 'Bake.');
    state.consider();
    const by_hand = {
      mends: [
        { key: 'bake|1|Bake.', fields: { oven_c: 160, mode: 'fan' }, drop: false },
        { key: 'whip|1|Whip it, then fold.', fields: {}, drop: true },
      ],
      meant: [{ sentence: 'Bake.', of: 'Bake.' }],
    };
    await vi.waitFor(() => expect(asked.at(-1)!.body).toMatchObject({ by_hand }));
    expect(JSON.parse(JSON.stringify(new ReadingIn().byHand))).toEqual(by_hand);
    state.forget();
    expect(state.byHand).toEqual({ mends: [], meant: [] });
  });

  it('forgets corrections that this device holds in a form that is not theirs', () => {
    localStorage.setItem('kindwhisk.reading.by-hand', '{broken');
    expect(new ReadingIn().byHand).toEqual({ mends: [], meant: [] });
  });

  it('goes to the Book once, and stays on the device when that fails', async () => {
    const { state } = await reading('Roll', draft([], { formula: formula() }));
    serverWith({ 'PUT /api/formulas/{formula_id}': () => null });
    expect(await state.keep()).toBeNull();
    expect(state.problem!.title).toBe('The server does not answer');
    expect(new ReadingIn().text).toBe('Roll');
    serverWith({ 'PUT /api/formulas/{formula_id}': () => ({ id: 'chiffon' }) });
    expect(await state.keep()).toBe('chiffon');
    expect(new ReadingIn().text).toBe('');
  });
});

describe('a change that is looked at first', () => {
  it('shows the last one asked for, and forgets one that was cleared meanwhile', async () => {
    const answers = [problem(), { formula: formula(), based_on: 3 }];
    serverWith({ 'POST /api/formulas/{formula_id}/method': () => answers.shift() ?? problem() });
    const proposal = new Proposal('chiffon');
    await Promise.all([proposal.method('whip', 'Swiss'), proposal.method('whip', 'Italian')]);
    expect([proposal.problem, proposal.value?.based_on, proposal.waiting]).toEqual([null, 3, false]);
    const late = proposal.method('whip', 'French');
    proposal.clear();
    await late;
    expect([proposal.value, proposal.problem, proposal.waiting]).toEqual([null, null, false]);
  });

  it('is taken on the version that it was made from, and stays when it is refused', async () => {
    let said: object = problem({ status: 409 });
    const asked = serverWith({
      'POST /api/formulas/{formula_id}/substitute': () => ({ formula: formula(), based_on: 3 }),
      'PUT /api/formulas/{formula_id}': () => said,
    });
    const proposal = new Proposal('chiffon');
    expect(await proposal.take()).toBe(false);
    await proposal.swap('sugar', 'honey', 0.5);
    expect(asked[0]!.body).toEqual({ ingredient: 'sugar', into: 'honey', share: 0.5, steps: [] });
    expect(await proposal.take()).toBe(false);
    expect([proposal.value?.based_on, proposal.problem?.status]).toEqual([3, 409]);
    said = { id: 'chiffon' };
    expect(await proposal.take()).toBe(true);
    expect(proposal.value).toBeNull();
    expect(asked.at(-1)!.body).toMatchObject({ based_on: 3 });
  });
});
