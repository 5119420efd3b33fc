import { vi } from 'vitest';

/** What jsdom lacks and the components ask for: media queries, of which none is met, sizes that never change, and scrolling. */
export function matchMediaStandIn(): void {
  vi.stubGlobal('matchMedia', (media: string) => ({
    media,
    matches: false,
    addEventListener: () => undefined,
    removeEventListener: () => undefined,
  }));
  vi.stubGlobal(
    'ResizeObserver',
    class {
      observe = () => undefined;
      unobserve = () => undefined;
      disconnect = () => undefined;
    },
  );
  Element.prototype.scrollIntoView = () => undefined;
}
