import type { Estimate } from './api/client';

type System = 'metric' | 'us';
const stored = localStorage.getItem('kindwhisk.units');

/** Grams and Celsius lead; the switch shows ounces and Fahrenheit in their place. */
export const units = $state<{ system: System }>({ system: stored === 'us' ? 'us' : 'metric' });

export function switchUnits(): void {
  units.system = units.system === 'metric' ? 'us' : 'metric';
  localStorage.setItem('kindwhisk.units', units.system);
}

export function grams(g: number): string {
  if (units.system === 'us') return `${(g / 28.3495).toFixed(g < 28 ? 2 : 1)} oz`;
  return g < 10 ? `${g.toFixed(1)} g` : `${Math.round(g)} g`;
}

export function celsius(c: number): string {
  return units.system === 'us' ? `${Math.round(c * 1.8 + 32)} °F` : `${Math.round(c)} °C`;
}

/** The same to a tenth, for what is set beside a guidance or a check. */
export function celsiusExactly(c: number): string {
  return units.system === 'us' ? `${(c * 1.8 + 32).toFixed(1)} °F` : `${c.toFixed(1)} °C`;
}

/** A difference of temperatures, with its sign. */
export function kelvins(k: number): string {
  const n = Math.round(k * (units.system === 'us' ? 1.8 : 1));
  return `${n > 0 ? '+' : n < 0 ? '−' : ''}${Math.abs(n)} ${units.system === 'us' ? '°F' : '°C'}`;
}

export function degrees(c: number): string {
  return String(units.system === 'us' ? Math.round(c * 1.8 + 32) : Math.round(c));
}

type Outside = { unit: string; show: (value: number, places: number) => string };

/** How a value in a unit inside (g, C) is shown in a field: as it is, or in ounces and Fahrenheit. */
export function outsideOf(unit: string): Outside {
  if (units.system === 'us' && unit === 'C')
    return { unit: '°F', show: (c) => String(Number((c * 1.8 + 32).toFixed(1))) };
  if (units.system === 'us' && unit === 'g')
    return { unit: 'oz', show: (g) => String(Number((g / 28.3495).toFixed(2))) };
  return { unit: unitName(unit), show: (value, places) => String(Number(value.toFixed(places))) };
}

export function litres(ml: number): string {
  return ml >= 1000 ? `${(ml / 1000).toFixed(2)} l` : `${Math.round(ml)} ml`;
}

const QUARTERS = ['', '¼', '½', '¾'];

/** A volume as kitchen measures, to a quarter: 1¼ cups, 2 tbsp, ¾ tsp; empty where a spoon is too coarse. */
export function spoonfuls(ml: number): string {
  const [unit, size] =
    ml >= 59 ? (['cup', 236.6] as const) : ml >= 13 ? (['tbsp', 14.79] as const) : (['tsp', 4.93] as const);
  const quarters = Math.round((ml / size) * 4);
  if (quarters === 0) return '';
  const amount = `${Math.floor(quarters / 4) || ''}${QUARTERS[quarters % 4]}`;
  return `${amount} ${unit}${unit === 'cup' && quarters > 4 ? 's' : ''}`;
}

/** A figure of a quantity in its unit: densities with two or three places, the rest whole. */
export function figure(value: number, unit: string): string {
  if (unit === 'g/ml') return value.toFixed(value < 0.3 ? 3 : 2);
  if (unit === 'C') return degrees(value);
  return String(Math.round(value));
}

export function unitName(unit: string): string {
  if (unit === 'C') return units.system === 'us' ? '°F' : '°C';
  return unit;
}

/** The range of a figure, "19 to 25", rounded; a hundred `times` it for percent. */
export function fromTo(estimate: Pick<Estimate, 'low' | 'high'>, times = 1): string {
  const [low, high] = [Math.round(times * estimate.low), Math.round(times * estimate.high)];
  return low === high ? String(low) : `${low} to ${high}`;
}

/** Where a figure comes from, in words. */
export function origin(estimate: Pick<Estimate, 'basis' | 'bakes'>): string {
  if (estimate.basis === 'this kitchen')
    return `this kitchen, ${estimate.bakes} bake${estimate.bakes === 1 ? '' : 's'}`;
  return {
    measured: 'measured',
    formula: 'the formula',
    published: 'published',
    model: 'by the model, not yet this kitchen',
    recalled: 'recalled, unchecked',
    'trade habit': 'trade habit, not yet this kitchen',
  }[estimate.basis];
}

/** A ratio as bakers say it: two places, or hundredths with their sign. */
export function ratio(value: number, percent: boolean): string {
  return percent ? `${value.toFixed(value < 10 ? 1 : 0)} %` : value.toFixed(2);
}

/** How sure a read line is, in a word. */
export function sure(share: number): string {
  if (share >= 0.95) return 'a weight';
  if (share >= 0.8) return 'good';
  if (share >= 0.5) return 'rough';
  return 'a guess';
}

/** A learned figure in the unit that it was observed in. */
export function observed(value: number, unit: string): string {
  if (unit === 's') return value < 120 ? `${Math.round(value)} s` : `${(value / 60).toFixed(value < 600 ? 1 : 0)} min`;
  if (unit === 'share') return `${Math.round(100 * value)} %`;
  return unit === 'mm' ? `${Math.round(value)} mm` : `${value.toFixed(2)} ${unit}`;
}
