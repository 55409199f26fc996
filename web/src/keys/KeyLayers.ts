/**
 * Who hears a key, first to last: an open sheet, an open dialog, something that is being typed, the desk of a start,
 * the desk, the page.
 */
export const LAYERS = ['sheet', 'dialog', 'entry', 'start', 'desk', 'page'] as const;
export type Layer = (typeof LAYERS)[number];

export interface Listener {
  /** Handles a key; tells whether it was one of its own. A key that was does nothing else. */
  handle(key: string): boolean;
  /** Whether nothing behind it hears any key while it is there. */
  blocks?: boolean;
}

/** One dispatcher of keys: each key goes to the first listener that takes it, and to no other. No React. */
export class KeyLayers {
  private readonly listeners = new Map<Layer, Listener[]>();

  /** @returns takes it away again */
  add(layer: Layer, listener: Listener): () => void {
    this.listeners.set(layer, [...(this.listeners.get(layer) ?? []), listener]);
    return () =>
      this.listeners.set(
        layer,
        (this.listeners.get(layer) ?? []).filter((one) => one !== listener),
      );
  }

  /** @returns whether somebody took it */
  press(key: string): boolean {
    for (const layer of LAYERS) {
      const all = this.listeners.get(layer) ?? [];
      if (all.some((listener) => listener.handle(key))) return true;
      if (all.some((listener) => listener.blocks)) return false;
    }
    return false;
  }
}

export const keyLayers = new KeyLayers();
