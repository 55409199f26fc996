import { describe, expect, it } from 'vitest';
import type { Work, WorkLine } from '../live/departureContext';
import { canBeLate, found, othersPart, placeOfNext, procedureToGoOnWith, scan } from './work';

function line(ref: string, state = 'OPEN', zone?: string): WorkLine {
  return {
    text: {
      ref,
      label: ref,
      expects: 'on',
      zone,
      kind: 'CHECK',
      detail: { splits: false, own: false, choices: [], axes: [] },
      marks: { stationary: false, notSteering: false, heldUntilAgreed: false, repeatable: false },
    },
    view: { ref, state },
  } as WorkLine;
}

function work(
  id: string,
  fields: { seat?: 'LEFT' | 'RIGHT'; next?: string; state?: string; held?: boolean; lines?: WorkLine[] } = {},
): Work {
  return {
    text: { id, title: id, seat: fields.seat },
    view: { id, state: fields.state ?? 'OPEN', next: fields.next, held: fields.held ? {} : undefined },
    lines: fields.lines ?? [],
  } as unknown as Work;
}

describe('whose hand it is', () => {
  const marked = (marks: Partial<WorkLine['text']['marks']>, state = 'OPEN'): WorkLine => {
    const one = line('taxi/start', state);
    return { ...one, text: { ...one.text, marks: { ...one.text.marks, ...marks } } };
  };
  const hands = (role: 'FLYING' | 'MONITORING' | null, alone = false) => ({
    personId: 'p',
    role,
    otherName: null,
    alone,
  });

  it('is not that of who steers while the aircraft moves', () => {
    const start = marked({ notSteering: true });
    expect(othersPart(start, hands('FLYING'), true)).toBe('The pilot who does not steer does it.');
    expect(othersPart(start, hands('FLYING'), false)).toBeNull();
    expect(othersPart(start, hands('MONITORING'), true)).toBeNull();
    expect(othersPart(start, hands('FLYING', true), true)).toBeNull();
    expect(othersPart(start, hands(null), true)).toBeNull();
  });
  it('is that of the pilot who is named, but the other one agrees', () => {
    expect(othersPart(marked({ by: 'MONITORING' }), hands('FLYING'), false)).toBe('The pilot monitoring does it.');
    expect(othersPart(marked({ by: 'MONITORING' }), hands('MONITORING'), false)).toBeNull();
    expect(othersPart(marked({ by: 'MONITORING' }, 'RESPONDED'), hands('FLYING'), false)).toBeNull();
  });
});

describe('what can be told late', () => {
  it('is what one answer tells, while it is open and nothing holds it back', () => {
    const kept = line('power/battery');
    expect(canBeLate(kept)).toBe(true);
    expect(canBeLate(line('power/battery', 'DONE'))).toBe(false);
    expect(canBeLate({ ...kept, text: { ...kept.text, kind: 'DECISION' } })).toBe(false);
    expect(
      canBeLate({ ...kept, view: { ...kept.view, gate: { open: false, waits: [] } } } as unknown as WorkLine),
    ).toBe(false);
  });
});

describe('which procedure to go on with', () => {
  it('is the first of the own seat that has a line to answer', () => {
    const works = [
      work('a', { next: 'a/1', seat: 'LEFT', held: true }),
      work('b', { seat: 'LEFT', state: 'WAITING' }),
      work('c', { next: 'c/1', seat: 'RIGHT' }),
      work('d', { next: 'd/1' }),
    ];
    expect(procedureToGoOnWith(works, 'LEFT')?.text.id).toBe('d');
    expect(procedureToGoOnWith(works, 'RIGHT')?.text.id).toBe('c');
  });

  it('is one that waits when nothing can be answered', () => {
    const works = [work('a', { state: 'DONE' }), work('b', { state: 'WAITING' })];
    expect(procedureToGoOnWith(works, 'LEFT')?.text.id).toBe('b');
  });
});

describe('which line is shown', () => {
  it('is the next one the server names', () => {
    expect(placeOfNext(work('p', { next: 'p/3', lines: [line('p/1', 'DONE'), line('p/2'), line('p/3')] }))).toBe(2);
  });
  it('is the first that is not complete when all wait', () => {
    expect(placeOfNext(work('p', { lines: [line('p/1', 'DEVIATED'), line('p/2'), line('p/3')] }))).toBe(1);
  });
});

describe('going somewhere', () => {
  it('finds a line by any of its words', () => {
    const works = [work('overhead', { lines: [line('overhead/outflow'), line('overhead/packs')] })];
    expect(found(works, 'FLOW over').map((hit) => hit.line.text.ref)).toEqual(['overhead/outflow']);
    expect(found(works, '  ')).toEqual([]);
  });
});

describe('the scan', () => {
  it('passes each stay once and knows where the shown line is', () => {
    const lines = [
      line('1', 'DONE', 'a'),
      line('2', 'DONE', 'a'),
      line('3', 'OPEN', 'b'),
      line('4'),
      line('5', 'OPEN', 'a'),
    ];
    expect(scan(lines, 2)).toEqual({ zones: ['a', 'b', 'a'], now: 1 });
    expect(scan(lines, 3).now).toBe(-1);
  });
});
