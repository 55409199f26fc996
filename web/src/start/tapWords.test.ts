import { describe, expect, it } from 'vitest';
import type { StartView } from '../api/client';
import { asked, canTell, type Taps } from './tapWords';

const TAPS: Taps = {
  next: { tap: 'LIGHT_OFF', words: 'Light-off' },
  starter: true,
  fuel: true,
  last: 'FUEL_ON',
  lastWords: 'fuel on',
  lastBy: 'p-1',
  wrongs: [],
  questions: [
    { words: 'lit?', due: 'PT32S', yes: 'LIGHT_OFF', yesWords: 'yes', no: 'NOT_LIT', noWords: 'no' },
    { words: 'at idle?', due: 'PT75S', yes: 'IDLE', yesWords: 'yes', no: 'SLOW', noWords: 'no' },
  ],
};
const view = (taps: Partial<Taps>, running = true) => ({ running, taps: { ...TAPS, ...taps } }) as StartView;
const ms = (text: string) => Number(text.replace(/\D/g, '')) * 1000;

describe('what can be told of a start', () => {
  it('is asked when its time has come, the earliest first', () => {
    expect(asked(TAPS, 31_999, ms)).toBeNull();
    expect(asked(TAPS, 32_000, ms)?.words).toBe('lit?');
    expect(asked(TAPS, 90_000, ms)?.words).toBe('lit?');
  });

  it('is ignition before the starter', () => {
    expect(canTell('IGNITION_ON', view({}, false))).toBe(true);
  });

  it('is nothing lit without fuel, and nothing at all after the end', () => {
    expect(canTell('LIGHT_OFF', view({}))).toBe(true);
    expect(canTell('LIGHT_OFF', view({ fuel: false }))).toBe(false);
    expect(canTell('STARTER_OFF', view({ starter: false }))).toBe(false);
    expect(canTell('ROTATION', view({}, false))).toBe(false);
  });
});
