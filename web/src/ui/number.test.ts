import { describe, expect, it } from 'vitest';
import { parsed, shown, typed } from './number';

const type = (keys: string) => [...keys].reduce(typed, '');

describe('typing a number', () => {
  it.each([
    ['24.6', '24.6'],
    ['.5', '0.5'],
    ['1..2', '1.2'],
    ['12-', '-12'],
    ['-12-', '12'],
    ['3x4', '34'],
    ['1,5', '1.5'],
    ['1234567890', '12345678'],
  ])('keys %s give %s', (keys, text) => expect(type(keys)).toBe(text));

  it.each([
    ['24.6', 24.6],
    ['24.', 24],
    ['-0.5', -0.5],
    ['', null],
    ['-', null],
    ['.', null],
  ])('%s stands for %s', (text, value) => expect(parsed(text)).toBe(value));

  it('shows decimals and a true minus', () => expect(shown(-1.25, 1)).toBe('−1.3'));
  it('gives nothing no sign', () => expect(shown(-0.04, 1)).toBe('0.0'));
});
