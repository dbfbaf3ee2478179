import { cleanup, fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { switchUnits, units } from '../src/lib/figures.svelte';
import { now } from '../src/lib/now.svelte';
import CoolGates from '../src/lib/parts/CoolGates.svelte';
import Differences from '../src/lib/parts/Differences.svelte';
import QuantityField from '../src/lib/parts/QuantityField.svelte';
import { clock } from '../src/lib/time';
import { likely, read } from './page';
import { problem, serverWith } from './server';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.restoreAllMocks();
  if (units.system === 'us') switchUnits();
});

describe('a quantity', () => {
  const props = (more: object = {}) => ({
    label: 'Depth',
    wanted: 'length' as never,
    value: 40,
    unit: 'mm',
    onvalue: vi.fn(),
    ...more,
  });
  const QUANTITY = { 'GET /api/craft/quantity': () => ({ value: 50.8, said: '51 mm' }) };
  const typed = async (text: string) => {
    await fireEvent.input(screen.getByRole('textbox'), { target: { value: text } });
    await vi.advanceTimersByTimeAsync(1);
  };

  it('goes up and down by its step, never below the least', async () => {
    const given = props({ value: 0.5, step: 0.2, least: 0.4 });
    render(QuantityField, given);
    await fireEvent.click(screen.getByRole('button', { name: 'more Depth' }));
    await fireEvent.click(screen.getByRole('button', { name: 'less Depth' }));
    expect(given.onvalue.mock.calls).toEqual([[0.7], [0.4]]);
  });

  it('is understood in any unit by the server, and says how', async () => {
    const asked = serverWith(QUANTITY);
    const given = props();
    render(QuantityField, given);
    await typed('2 in');
    expect(asked[0]!.query).toMatchObject({ text: '2 in', wanted: 'length' });
    expect(given.onvalue).toHaveBeenCalledWith(50.8);
    expect(screen.getByText('understood: 51 mm')).toBeTruthy();
  });

  it('keeps what was typed when it is not understood, and says how to mend it', async () => {
    serverWith({ 'GET /api/craft/quantity': () => problem({ remedy: 'Write 40 mm or 1.5 in.' }) });
    const given = props();
    render(QuantityField, given);
    await typed('about so');
    await fireEvent.blur(screen.getByRole('textbox'));
    const field = screen.getByRole<HTMLInputElement>('textbox');
    expect([field.value, field.getAttribute('aria-invalid')]).toEqual(['about so', 'true']);
    expect(screen.getByText('Not understood. Write 40 mm or 1.5 in.')).toBeTruthy();
    expect(given.onvalue).not.toHaveBeenCalled();
  });

  it('refuses what is below the least', async () => {
    serverWith(QUANTITY);
    const given = props({ least: 60 });
    render(QuantityField, given);
    await typed('2 in');
    expect(screen.getByText('Not understood. At least 60 mm.')).toBeTruthy();
    expect(given.onvalue).not.toHaveBeenCalled();
  });

  it('without a unit is meant in the one that is shown', async () => {
    const asked = serverWith(QUANTITY);
    switchUnits();
    render(QuantityField, props({ label: 'Set to', unit: 'C', value: 170 }));
    expect(screen.getByRole<HTMLInputElement>('textbox').value).toBe('338');
    await typed('350');
    await typed('180 C');
    expect(asked.map((c) => (c.query as unknown as { text: string }).text)).toEqual(['350 °F', '180 C']);
  });

  it('takes the last of two answers, whichever comes first', async () => {
    const late: { resolve?: (answer: object) => void } = {};
    const answers = [() => new Promise((resolve) => (late.resolve = resolve)), () => ({ value: 80, said: '80 mm' })];
    serverWith({ 'GET /api/craft/quantity': () => answers.shift()!() });
    const given = props();
    render(QuantityField, given);
    await typed('8 c');
    await typed('8 cm');
    late.resolve!({ value: 8, said: '8' });
    await vi.advanceTimersByTimeAsync(1);
    expect(given.onvalue.mock.calls).toEqual([[80]]);
  });
});

it('a cake on the rack says what it is ready for, by its own pace', () => {
  now.set('2026-11-25T06:00:00Z');
  const gate = (kind: string, to_c: number, s: number) => ({
    kind,
    to_c,
    after_s: likely(s, s * 0.8, s * 1.2),
    why: 'It holds.',
  });
  const outlook = { pace: 1.5, started_at: '2026-11-25T05:40:00Z' };
  const gates = [gate('unmould', 60, 600), gate('fill', 25, 2400)];
  const { container } = render(CoolGates, { gates, outlook } as never);
  const [unmould, fill] = [...container.querySelectorAll('li')].map(read);
  expect(unmould).toContain('unmould at 60 °C may be');
  expect(fill).toContain(`in 40 min, ${clock('2026-11-25T06:40:00Z')} (48 min to 1 h 12)`);
});

it('differences are told side by side, by what they are about; what is not there and what is gone too', () => {
  const differences = [
    { about: 'Weights', where: 'Sugar', before: '60 g', after: '' },
    { about: 'Colour', where: 'Batter', before: '#ffeedd', after: '#112233' },
    { about: 'Weights', where: 'Honey', before: '', after: '45 g' },
  ];
  const { container } = render(Differences, { differences, before: 'Version 2', after: 'Version 3' } as never);
  expect(read(container)).toBe('Version 2Version 3 Weights Sugar 60 g goneHoney not there 45 gColour Batter');
  expect(screen.getAllByRole('img').map((i) => i.getAttribute('aria-label'))).toEqual([
    'colour #ffeedd',
    'colour #112233',
  ]);
});
