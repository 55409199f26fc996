import { describe, expect, it } from 'vitest';
import type { DepartureView, LogEvent, Problem, StartMessage } from '../api/client';
import { begin, reduce } from './liveState';

const view = (seq: number, at = '2026-05-04T10:00:00Z') => ({ seq, at }) as DepartureView;
const event = (seq: number) => ({ seq }) as LogEvent;

describe('what a page knows of a live departure', () => {
  it('keeps the newest view, whatever order views arrive in', () => {
    const orders = [
      [3, 5, 4],
      [5, 3, 4],
      [4, 5, 3],
      [5, 4, 3],
    ];
    for (const order of orders) {
      const end = order.reduce((state, seq) => reduce(state, { type: 'viewed', view: view(seq) }), begin(view(2)));
      expect(end.view.seq).toBe(5);
    }
  });

  it('takes a later time of the same events, and never an earlier one', () => {
    const state = reduce(begin(view(2, '2026-05-04T10:00:00Z')), {
      type: 'viewed',
      view: view(2, '2026-05-04T10:00:09Z'),
    });
    expect(state.view.at).toBe('2026-05-04T10:00:09Z');
    expect(reduce(state, { type: 'viewed', view: view(2, '2026-05-04T10:00:01Z') }).view.at).toBe(
      '2026-05-04T10:00:09Z',
    );
  });

  it('joins what changed of a view to what it knows, and keeps what stands as the same object', () => {
    const procedures = ['power', 'walk', 'start'].map((id) => ({ id, done: 0, lines: [{ ref: id }] }));
    const known = begin({ ...view(2), procedures } as unknown as DepartureView);
    const change = { ...view(3), openLines: 7, procedures: [{ id: 'walk', done: 1, lines: [{ ref: 'walk' }] }] };
    const told = reduce(known, { type: 'changed', view: change as unknown as DepartureView });
    expect(told.view.procedures.map((one) => [one.id, one.done])).toEqual([
      ['power', 0],
      ['walk', 1],
      ['start', 0],
    ]);
    expect(told.view).toMatchObject({ seq: 3, openLines: 7 });
    expect(told.view.procedures[0]).toBe(known.view.procedures[0]);
    expect(reduce(told, { type: 'changed', view: { ...change, seq: 2 } as unknown as DepartureView })).toEqual(told);
  });

  it('does not take an event twice after a reconnect', () => {
    const state = [1, 2, 2, 1, 3].reduce((s, seq) => reduce(s, { type: 'logged', event: event(seq) }), begin(view(0)));
    expect(state.events.map((e) => e.seq)).toEqual([1, 2, 3]);
  });

  it('shows a refusal until it is dismissed or something else is sent', () => {
    const refused = reduce(reduce(begin(view(1)), { type: 'sent' }), {
      type: 'refused',
      problem: { detail: 'closed' } as Problem,
    });
    expect(refused).toMatchObject({ sending: false, problem: { detail: 'closed' } });
    expect(reduce(refused, { type: 'dismissed' }).problem).toBeNull();
    expect(reduce(refused, { type: 'sent' }).problem).toBeNull();
  });

  it('says that the link is lost after silence, and live again once heard', () => {
    const lost = reduce(begin(view(1)), { type: 'silent' });
    expect(lost.link).toBe('lost');
    expect(reduce(lost, { type: 'heard' }).link).toBe('live');
  });

  it('never compares the clock of a tapped start with that of a feed', () => {
    const told = (at: string, tapped: boolean) =>
      ({
        view: { engine: 2, at, running: true, taps: tapped ? {} : undefined },
        samples: [],
      }) as unknown as StartMessage;
    const read = reduce(begin(view(1)), { type: 'engine', message: told('2026-05-04T10:09:00Z', false), at: 1 });
    const tapped = reduce(read, { type: 'engine', message: told('2026-05-04T10:00:00Z', true), at: 2 });
    expect(tapped.engines[2]).toMatchObject({ heardAt: 2, samples: [], view: { at: '2026-05-04T10:00:00Z' } });
    const older = reduce(tapped, { type: 'engine', message: told('2026-05-04T09:59:00Z', true), at: 3 });
    expect(older.engines[2]?.heardAt).toBe(2);
  });

  it('forgets a tapped start whose first tap was taken back', () => {
    const message = {
      view: { engine: 2, at: '2026-05-04T10:00:00Z', running: true, taps: {} },
      samples: [],
    } as unknown as StartMessage;
    const tapped = reduce(begin(view(1)), { type: 'engine', message, at: 1 });
    const undone = (tap: string) =>
      ({ seq: 9, type: 'StartTapUndone', payload: { engine: 2, tap } }) as unknown as LogEvent;
    expect(reduce(tapped, { type: 'logged', event: undone('ROTATION') }).engines[2]).toBeDefined();
    expect(reduce(tapped, { type: 'logged', event: undone('STARTER_ON') }).engines[2]).toBeUndefined();
  });
});
