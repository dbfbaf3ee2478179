import { ROOM } from './page';

// jsdom lays nothing out and has no media: everything is as wide as ROOM, nothing changes its size, nothing moves.
class ResizeObserver {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
}
// Nor is there a server that would tell anything.
class EventSource extends EventTarget {
  close(): void {}
}
const matchMedia = (media: string) =>
  Object.assign(new EventTarget(), { matches: media.includes('prefers-reduced-motion'), media, onchange: null });

Object.assign(window, { ResizeObserver, matchMedia, EventSource });
Object.defineProperty(Element.prototype, 'clientWidth', { get: () => ROOM });
