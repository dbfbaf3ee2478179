import { afterEach, describe, expect, it } from 'vitest';
import {
  celsius,
  celsiusExactly,
  figure,
  grams,
  kelvins,
  litres,
  origin,
  outsideOf,
  ratio,
  spoonfuls,
  sure,
  switchUnits,
  unitName,
  units,
} from '../src/lib/figures.svelte';
import { countdown, length, nextMoment, remaining, until, when } from '../src/lib/time';

describe('moments', () => {
  const now = new Date(2026, 10, 25, 14, 30);

  it('are today if they lie ahead, else tomorrow', () => {
    expect(new Date(nextMoment('15:40', now)!)).toEqual(new Date(2026, 10, 25, 15, 40));
    expect(new Date(nextMoment('5.40', now)!)).toEqual(new Date(2026, 10, 26, 5, 40));
    expect(nextMoment('soon', now)).toBeNull();
    expect(nextMoment('12', now)).toBeNull();
  });

  it('are said with their day only when it is not today', () => {
    expect(when(new Date(2026, 10, 25, 23, 59), now.getTime())).toBe('at 23:59');
    expect(when(new Date(2026, 10, 26, 0, 1), now.getTime())).toBe('tomorrow 00:01');
    expect(when(new Date(2026, 10, 29, 6, 0), now.getTime())).toBe('Sun 29 Nov 06:00');
  });

  it('count down in minutes and hours', () => {
    expect([108, 725, 3750, -9].map(countdown)).toEqual(['1:48', '12:05', '1:02:30', '0:09']);
  });

  it('have lengths that can be read at a glance', () => {
    expect([40, 89, 90, 34 * 60, 7500].map(length)).toEqual(['40 s', '89 s', '2 min', '34 min', '2 h 05']);
  });
});

describe('figures', () => {
  afterEach(() => {
    if (units.system === 'us') switchUnits();
  });

  it('lead in grams and Celsius and switch as a whole', () => {
    expect([grams(0.5), grams(126.4), celsius(170), litres(930), litres(1043)]).toEqual([
      '0.5 g',
      '126 g',
      '170 °C',
      '930 ml',
      '1.04 l',
    ]);
    switchUnits();
    expect([grams(126.4), celsius(170), figure(38, 'C')]).toEqual(['4.5 oz', '338 °F', '100']);
    expect(localStorage.getItem('kindwhisk.units')).toBe('us');
  });

  it('show a foam to the third place and a batter to the second', () => {
    expect([figure(0.1634, 'g/ml'), figure(0.437, 'g/ml'), figure(64.4, 'mm')]).toEqual(['0.163', '0.44', '64']);
  });

  it('stand beside cups and spoons, rounded as one measures', () => {
    expect([236, 300, 134, 30, 14.8, 5, 2.4, 0.4].map(spoonfuls)).toEqual([
      '1 cup',
      '1¼ cups',
      '½ cup',
      '2 tbsp',
      '1 tbsp',
      '1 tsp',
      '½ tsp',
      '',
    ]);
  });

  it('say where they come from, and how many bakes speak', () => {
    expect(origin({ basis: 'this kitchen', bakes: 1 })).toBe('this kitchen, 1 bake');
    expect(origin({ basis: 'this kitchen', bakes: 6 })).toBe('this kitchen, 6 bakes');
    expect(origin({ basis: 'recalled', bakes: 0 })).toContain('unchecked');
  });
});

describe('degrees', () => {
  afterEach(() => {
    if (units.system === 'us') switchUnits();
  });

  it('carry their unit, differences their sign', () => {
    expect([celsiusExactly(71), kelvins(-9), kelvins(4.6), kelvins(0), unitName('C'), unitName('g')]).toEqual([
      '71.0 °C',
      '−9 °C',
      '+5 °C',
      '0 °C',
      '°C',
      'g',
    ]);
    switchUnits();
    expect([celsiusExactly(71), kelvins(-9), kelvins(5), unitName('C')]).toEqual(['159.8 °F', '−16 °F', '+9 °F', '°F']);
  });

  it('are shown in a field as they are kept, or in the units outside', () => {
    expect(outsideOf('C').show(170.26, 1)).toBe('170.3');
    expect(outsideOf('g').show(61, 1)).toBe('61');
    switchUnits();
    expect([outsideOf('C').unit, outsideOf('C').show(170, 0)]).toEqual(['°F', '338']);
    expect([outsideOf('g').unit, outsideOf('g').show(100, 0)]).toEqual(['oz', '3.53']);
    expect(outsideOf('mm').unit).toBe('mm');
  });
});

describe('words for figures', () => {
  it('say a ratio and how sure a line is', () => {
    expect([ratio(0.45, false), ratio(0.4, true), ratio(12.3, true)]).toEqual(['0.45', '0.4 %', '12 %']);
    expect([0.95, 0.94, 0.8, 0.79, 0.5, 0.49].map(sure)).toEqual([
      'a weight',
      'good',
      'good',
      'rough',
      'rough',
      'a guess',
    ]);
  });

  it('count what is left from when it was told', () => {
    const read = '2026-11-25T05:00:00Z';
    const later = Date.parse(read) + 100_000;
    expect(until('2026-11-25T05:02:00Z', later)).toBe(20);
    expect(remaining({ low: 60, likely: 120, high: 200 }, read, later)).toEqual({ low: 0, likely: 20, high: 100 });
    expect(remaining({ low: 60, likely: 120, high: 200 }, read, later - 200_000).likely).toBe(120);
  });
});
