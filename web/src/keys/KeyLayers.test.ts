import { describe, expect, it } from 'vitest';
import { KeyLayers, LAYERS } from './KeyLayers';

describe('one key does one thing', () => {
  it('goes to the first layer that takes it, whatever the order of arrival', () => {
    for (const first of LAYERS) {
      const layers = new KeyLayers();
      const heard: string[] = [];
      for (const layer of [...LAYERS].reverse()) {
        layers.add(layer, {
          handle: () => {
            heard.push(layer);
            return LAYERS.indexOf(layer) >= LAYERS.indexOf(first);
          },
        });
      }
      expect(layers.press('X')).toBe(true);
      expect(heard.at(-1)).toBe(first);
      expect(heard).toHaveLength(LAYERS.indexOf(first) + 1);
    }
  });

  it('stops at a layer that blocks, even when nobody there takes the key', () => {
    const layers = new KeyLayers();
    let desk = 0;
    layers.add('desk', {
      handle: () => {
        desk += 1;
        return true;
      },
    });
    const away = layers.add('dialog', { handle: () => false, blocks: true });
    expect(layers.press('5')).toBe(false);
    expect(desk).toBe(0);
    away();
    expect(layers.press('5')).toBe(true);
    expect(desk).toBe(1);
  });

  it('gives a key to what is typed before the desk, and to the desk when nothing is typed', () => {
    const layers = new KeyLayers();
    let typing = '61';
    let takenBack = 0;
    layers.add('start', {
      handle: (key) => {
        if (key === 'Backspace') takenBack += 1;
        return key === 'Backspace';
      },
    });
    layers.add('entry', {
      handle: (key) => {
        if (key !== 'Backspace' || typing === '') return false;
        typing = typing.slice(0, -1);
        return true;
      },
    });
    layers.press('Backspace');
    layers.press('Backspace');
    expect([typing, takenBack]).toEqual(['', 0]);
    layers.press('Backspace');
    expect(takenBack).toBe(1);
  });
});
