import { describe, expect, it } from 'vitest';
import { HEIGHT, shapeOf, WIDTH } from './chargeShape';

const rule = { after: 'cycled', under_A: 45, within: 'PT1M30S', source: 'the type' };

describe('a charge curve as it is drawn', () => {
  it('falls to the right and down, within its frame, with its limit and its time', () => {
    const shape = shapeOf({
      points: [
        { at_s: 20, current_A: 120 },
        { at_s: 40, current_A: 60 },
      ],
      verdict: 'AGAIN',
      words: '',
      expected_s: 48.3,
      rule,
    });
    const [first, second] = shape.points;
    expect(second!.x).toBeGreaterThan(first!.x);
    expect(second!.y).toBeGreaterThan(first!.y);
    expect(shape.limit).toBeGreaterThan(second!.y);
    expect(shape.end).toBeLessThanOrEqual(WIDTH);
    expect(shape.bottom).toBeLessThan(HEIGHT);
    expect(shape.ahead?.y2).toBe(shape.limit);
    expect(shape.within).toBe(90);
  });

  it('has words at a point only where they have room', () => {
    const at = (first: number) =>
      shapeOf({
        points: [
          { at_s: first, current_A: 70 },
          { at_s: 30, current_A: 60 },
        ],
        verdict: 'AGAIN',
        words: '',
        rule,
      }).points.map((point) => point.words);
    expect(at(5)).toEqual(['70 A', '60 A']);
    expect(at(27)).toEqual(['', '60 A']);
  });

  it('reaches as far as what was read late', () => {
    const shape = shapeOf({ points: [{ at_s: 400, current_A: 20 }], verdict: 'AGAIN', words: '', rule });
    expect(shape.points[0]!.x).toBeLessThanOrEqual(WIDTH);
    expect(shape.end).toBeLessThan(shape.points[0]!.x);
    expect(shape.ahead).toBeNull();
  });
});
