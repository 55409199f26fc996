import { describe, expect, it } from 'vitest';
import { ServerClock } from './ServerClock';

function world(delays: number[], speed: number) {
  let page = 1000;
  const trueServer = () => Date.parse('2026-05-04T10:00:00Z') + (page - 1000) * speed;
  let trip = 0;
  const clock = new ServerClock({
    monotonic: () => page,
    ask: async () => {
      const delay = delays[trip++ % delays.length] ?? 0;
      page += delay;
      const now = new Date(trueServer()).toISOString();
      page += delay;
      return { now, speed };
    },
  });
  return {
    clock,
    trueServer,
    pass: (ms: number) => {
      page += ms;
    },
  };
}

describe('the server clock on the page', () => {
  it.each([1, 60])('is right at %i times life when one of five round trips is quick', async (speed) => {
    const { clock, trueServer, pass } = world([400, 90, 2, 250, 130], speed);
    await clock.sync();
    expect(Math.abs(clock.now() - trueServer())).toBeLessThanOrEqual(speed);
    pass(60_000);
    expect(Math.abs(clock.now() - trueServer())).toBeLessThanOrEqual(speed);
  });

  it('notices a server whose time has jumped', async () => {
    const { clock, trueServer } = world([1], 1);
    await clock.sync();
    expect(clock.isFarFrom(trueServer())).toBe(false);
    expect(clock.isFarFrom(trueServer() + 5000)).toBe(true);
  });
});
