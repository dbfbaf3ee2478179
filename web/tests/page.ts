/** The room that every picture is given, in pixels. */
export const ROOM = 560;

/** Numbers of an element's attributes, in the order asked for. */
export function at(element: Element, ...names: string[]): number[] {
  return names.map((name) => Number(element.getAttribute(name)));
}

/** All elements that fit, as an array. */
export function all(within: Element, selector: string): Element[] {
  return [...within.querySelectorAll(selector)];
}

/** The points of a polygon or polyline. */
export function points(element: Element): [number, number][] {
  return element
    .getAttribute('points')!
    .split(' ')
    .map((pair) => pair.split(',').map(Number) as [number, number]);
}

/** The text of an element as it is read, blanks drawn together. */
export function read(element: Element): string {
  return (element.textContent ?? '').replace(/\s+/g, ' ').trim();
}

/** An estimate of the model. */
export function likely(value: number, low = value, high = value) {
  return { low, likely: value, high, basis: 'model' as const, bakes: 0 };
}
