import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { api, type DepartureView } from '../api/client';
import { DepartureLive } from './DepartureLive';
import type { ServerClock } from './ServerClock';

const view = (seq: number) => ({ seq, at: '2026-05-04T10:00:00Z' }) as DepartureView;

class FakeSource extends EventTarget {
  static readonly OPEN = 1;
  static newest: FakeSource;
  readyState = 1;
  onerror: (() => void) | null = null;
  onopen: (() => void) | null = null;
  constructor() {
    super();
    FakeSource.newest = this;
  }
  close() {
    this.readyState = 2;
  }
  say(type: string, data: unknown) {
    this.dispatchEvent(new MessageEvent(type, { data: JSON.stringify(data) }));
  }
}

interface Posted {
  body: { commandId: string; line?: string; seen: number };
  answer: (seq: number) => void;
  breakOff: () => void;
}

describe('a departure that is live', () => {
  let live: DepartureLive;
  let posted: Posted[];
  beforeEach(() => {
    vi.useFakeTimers();
    vi.stubGlobal('EventSource', FakeSource);
    posted = [];
    vi.spyOn(api, 'POST').mockImplementation(
      ((_path: string, { body }: { body: Posted['body'] }) =>
        new Promise((resolve, reject) => {
          posted.push({
            body,
            answer: (seq) =>
              resolve({ data: { first: seq, last: seq }, response: new Response('{}', { status: 200 }) }),
            breakOff: () => reject(new TypeError('broken off')),
          });
        })) as unknown as typeof api.POST,
    );
    live = new DepartureLive(
      'd',
      { now: () => 0, speed: () => 1, sync: async () => undefined, isFarFrom: () => false } as unknown as ServerClock,
      view(1),
    );
    live.start();
  });
  afterEach(() => {
    live.stop();
    vi.useRealTimers();
    vi.unstubAllGlobals();
    vi.restoreAllMocks();
  });
  const brings = (seq: number, post: Posted | undefined) => {
    FakeSource.newest.say('log', { seq, commandId: post?.body.commandId });
    FakeSource.newest.say('view', view(seq));
  };
  const settle = () => vi.advanceTimersByTimeAsync(0);

  it('sends an answer given while the one before is unanswered, and drops none', async () => {
    const first = live.ask({ ask: 'ANSWER', line: 'power/radar' });
    const second = live.ask({ ask: 'ANSWER', line: 'power/gear' });
    await settle();
    expect(posted.map((post) => post.body.line)).toEqual(['power/radar']);
    posted[0]?.answer(2);
    brings(2, posted[0]);
    await settle();
    expect(posted.map((post) => post.body.line)).toEqual(['power/radar', 'power/gear']);
    posted[1]?.answer(3);
    brings(3, posted[1]);
    expect(await first).toBe(true);
    expect(await second).toBe(true);
    expect(live.snapshot()).toMatchObject({ sending: false, view: { seq: 3 } });
  });

  it('takes a command as answered when the stream brings its event and the link broke before its answer', async () => {
    const first = live.ask({ ask: 'ANSWER', line: 'power/radar' });
    await settle();
    FakeSource.newest.say('log', { seq: 2, commandId: posted[0]?.body.commandId });
    FakeSource.newest.say('view', view(2));
    posted[0]?.breakOff();
    expect(await first).toBe(true);
    expect(live.snapshot().sending).toBe(false);
    void live.ask({ ask: 'ANSWER', line: 'power/gear' });
    await settle();
    expect(posted.map((post) => post.body.line)).toEqual(['power/radar', 'power/gear']);
  });

  it('sends the same command again after the link was lost, and the same request once', async () => {
    const first = live.ask({ ask: 'ANSWER', line: 'power/radar' });
    expect(await live.ask({ ask: 'ANSWER', line: 'power/radar' })).toBe(false);
    await settle();
    posted[0]?.breakOff();
    await vi.advanceTimersByTimeAsync(1000);
    expect(posted.map((post) => post.body.commandId)).toEqual([posted[0]?.body.commandId, posted[0]?.body.commandId]);
    posted[1]?.answer(2);
    brings(2, posted[1]);
    expect(await first).toBe(true);
  });

  it('asks again for the starts while nobody answers, though the stream goes on', async () => {
    const asked = vi
      .spyOn(api, 'GET')
      .mockRejectedValueOnce(new TypeError('given up'))
      .mockRejectedValueOnce(new TypeError('given up'))
      .mockResolvedValue({
        data: { sheet: { electric: true }, engines: [] },
        response: new Response('{}', { status: 200 }),
      } as never);
    FakeSource.newest.onopen?.();
    for (let i = 0; i < 3; i++) {
      FakeSource.newest.say('heartbeat', { now: '2026-05-04T10:00:00Z', devices: 1 });
      await vi.advanceTimersByTimeAsync(1000);
    }
    expect(asked).toHaveBeenCalledTimes(3);
    expect(live.snapshot().sheet).toMatchObject({ electric: true });
    await vi.advanceTimersByTimeAsync(1900);
    expect(asked).toHaveBeenCalledTimes(3);
  });

  it('asks for the view when a stream is silent that should have brought what was answered', async () => {
    const asked = vi
      .spyOn(api, 'GET')
      .mockResolvedValue({ data: view(2), response: new Response('{}', { status: 200 }) } as never);
    const first = live.ask({ ask: 'ANSWER', line: 'power/radar' });
    await settle();
    posted[0]?.answer(2);
    await settle();
    expect(live.snapshot()).toMatchObject({ sending: true, view: { seq: 1 } });
    expect(asked).not.toHaveBeenCalled();
    await vi.advanceTimersByTimeAsync(250);
    expect(await first).toBe(true);
    expect(live.snapshot()).toMatchObject({ sending: false, view: { seq: 2 } });
  });

  describe('draws the page', () => {
    let drawn: number;
    beforeEach(async () => {
      FakeSource.newest.say('heartbeat', { now: '2026-05-04T10:00:00Z', devices: 1 });
      await vi.advanceTimersByTimeAsync(1000);
      drawn = 0;
      live.subscribe(() => drawn++);
    });
    const reads = (at: number, call = 'ON_TRACK') =>
      FakeSource.newest.say('start', {
        view: { engine: 1, at: new Date(at).toISOString(), running: true, verdict: { call }, findings: [] },
        samples: [[at]],
      });
    const apu = (at: number) => FakeSource.newest.say('apu', { samples: [[at]] });

    it('once for all that comes together', async () => {
      const first = live.ask({ ask: 'ANSWER', line: 'power/radar' });
      await settle();
      brings(2, posted[0]);
      posted[0]?.answer(2);
      reads(1000);
      apu(1000);
      expect(drawn).toBe(0);
      await vi.advanceTimersByTimeAsync(8);
      expect(await first).toBe(true);
      expect(drawn).toBe(1);
      expect(live.snapshot()).toMatchObject({
        sending: false,
        view: { seq: 2 },
        engines: { 1: { samples: [[1000]] } },
      });
    });

    it('no oftener than twenty times a second for readings that call for nothing new', async () => {
      reads(0);
      await vi.advanceTimersByTimeAsync(60);
      drawn = 0;
      for (let i = 1; i <= 40; i++) {
        reads(25 * i);
        apu(25 * i);
        await vi.advanceTimersByTimeAsync(25);
      }
      expect(drawn).toBeGreaterThanOrEqual(15);
      expect(drawn).toBeLessThanOrEqual(20);
      expect(live.snapshot().engines[1]?.samples).toHaveLength(41);
      expect(live.snapshot().apu.samples).toHaveLength(40);
    });

    it('at once for a call, though readings drew it just before', async () => {
      reads(0);
      await vi.advanceTimersByTimeAsync(60);
      reads(100);
      await vi.advanceTimersByTimeAsync(8);
      drawn = 0;
      reads(110);
      await vi.advanceTimersByTimeAsync(8);
      expect(drawn).toBe(0);
      reads(120, 'CUT');
      await vi.advanceTimersByTimeAsync(8);
      expect(drawn).toBe(1);
    });

    it('without waiting when nobody sees it: its sound must not wait for slow timers', () => {
      vi.spyOn(document, 'hidden', 'get').mockReturnValue(true);
      reads(0, 'CUT');
      expect(drawn).toBe(1);
    });
  });
});
