/** The room that whatever is observed is told to have, px; jsdom lays nothing out. */
export const room = { width: 0 };

/** Stands in for the browser's observer: says the width at once, and again never. */
export class FixedRoom {
  constructor(private readonly heard: (entries: { contentRect: { width: number } }[]) => void) {}
  observe() {
    if (room.width > 0) this.heard([{ contentRect: { width: room.width } }]);
  }
  unobserve() {}
  disconnect() {}
}
globalThis.ResizeObserver = FixedRoom as never;
