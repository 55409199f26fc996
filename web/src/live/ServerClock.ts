/** The server's time on this page: the best of a few round trips, running on the page's monotonic clock. */

export interface TimeSource {
  /** Asks the server for its time. */
  ask(): Promise<{ now: string; speed: number }>;
  /** Milliseconds of the page's monotonic clock. */
  monotonic(): number;
}

const ROUND_TRIPS = 5;
const FAR_OFF_MS = 1500;

export class ServerClock {
  private readonly source: TimeSource;
  private serverAtSync = Date.now();
  private pageAtSync: number;
  private rate = 1;
  private syncing = false;

  constructor(source: TimeSource) {
    this.source = source;
    this.pageAtSync = source.monotonic();
  }

  /** The server's time now, in milliseconds since 1970. */
  now(): number {
    return this.serverAtSync + (this.source.monotonic() - this.pageAtSync) * this.rate;
  }

  /** Seconds of the server's clock in a second of life. */
  speed(): number {
    return this.rate;
  }

  /** Sets the clock by the round trip with the least delay. Keeps what it has when the server does not answer. */
  async sync(): Promise<void> {
    if (this.syncing) return;
    this.syncing = true;
    try {
      let best = Number.POSITIVE_INFINITY;
      for (let i = 0; i < ROUND_TRIPS; i++) {
        const before = this.source.monotonic();
        const { now, speed } = await this.source.ask();
        const after = this.source.monotonic();
        if (after - before < best) {
          best = after - before;
          this.rate = speed;
          this.serverAtSync = Date.parse(now) + ((after - before) / 2) * speed;
          this.pageAtSync = after;
        }
      }
    } finally {
      this.syncing = false;
    }
  }

  /** Whether a time that the server has just told shows this clock to be wrong. */
  isFarFrom(serverNow: number): boolean {
    return Math.abs(this.now() - serverNow) > FAR_OFF_MS * this.rate;
  }
}
