import { describe, expect, it } from 'vitest';
import { goLetters } from './goLetters';

describe('going to a procedure', () => {
  it('gives each procedure a letter of its own title, T staying with Today', () => {
    const letters = goLetters(['Safety and power', 'Start engine 2', 'Taxi', 'Start engine 1', 'APU', 'Tap']);
    expect(new Set(letters).size).toBe(6);
    expect(letters).not.toContain('T');
    expect(letters[0]).toBe('S');
  });
});
