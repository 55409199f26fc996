import {
  answered,
  api,
  newId,
  NoLinkError,
  ProblemError,
  type CommandRequest,
  type DepartureView,
  type SampleRow,
  type StartMessage,
} from '../api/client';
import { begin, isCalm, reduce, type LiveAction, type LiveState, type PowerReadings } from './liveState';
import type { ServerClock } from './ServerClock';

type WithoutEnvelope<Request> = Request extends unknown ? Omit<Request, 'commandId' | 'seen'> : never;
/** What is asked; the command's id and what was seen are added to it. */
export type Asked = WithoutEnvelope<CommandRequest>;

const SILENCE_MS = 2000;
const RETRY_MS = 1000;
/** So long the stream is given to bring what was answered, before it is asked for. */
const STREAM_BRINGS_MS = 250;
const AFTER_OPENING_MS = 40;
const RESYNC_MS = 60_000;
/** So often the server is told that this page is there; it counts the devices that are. */
const THERE_MS = 10_000;
/** So often a command is tried that the server itself cannot take, before it is set aside for the others. */
const TRIES = 4;
/** Problems that are none of the request's own. */
const OF_THE_SERVER = new Set(['internal', 'storage-full']);
/** So long what is new waits for what comes with it, so that the page is drawn once for all of it. */
const TOGETHER_MS = 8;
/** Readings alone draw the page no oftener than so. */
const READINGS_MS = 50;
/** Before a departure's id, where the tab keeps what was set aside. */
export const ASIDE = 'skelda.aside.';

/**
 * Keeps one departure live: its stream with resume, the watch for silence, the moment a gate opens by time, and
 * commands that are sent again under the same id until they are answered.
 */
export class DepartureLive {
  private readonly id: string;
  private readonly clock: ServerClock;
  private state: LiveState;
  private readonly listeners = new Set<() => void>();
  private source: EventSource | null = null;
  private silence: ReturnType<typeof setTimeout> | undefined;
  private retry: ReturnType<typeof setTimeout> | undefined;
  private opening: ReturnType<typeof setTimeout> | undefined;
  private missed: ReturnType<typeof setTimeout> | undefined;
  private resync: ReturnType<typeof setInterval> | undefined;
  private there: ReturnType<typeof setInterval> | undefined;
  private reader: string | null = null;
  private closed = false;
  private queue: Promise<unknown> = Promise.resolve();
  private readonly underWay = new Set<string>();
  private drawing: { timer: ReturnType<typeof setTimeout>; due: number } | null = null;
  private drawnAt = Number.NEGATIVE_INFINITY;
  private awaited: { commandId: string; heard: () => void } | null = null;

  constructor(id: string, clock: ServerClock, view: DepartureView) {
    this.id = id;
    this.clock = clock;
    this.state = begin(view);
    const kept = sessionStorage.getItem(this.asideKey());
    if (kept) this.state = reduce(this.state, { type: 'aside', aside: JSON.parse(kept) as LiveState['aside'] });
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  snapshot = (): LiveState => this.state;

  start(): void {
    this.closed = false;
    this.connect();
    this.listenForSilence();
    this.watchOpening();
    this.there = setInterval(() => this.sayThere(), THERE_MS);
    this.resync = setInterval(() => void this.clock.sync().catch(() => undefined), RESYNC_MS);
  }

  stop(): void {
    this.closed = true;
    this.source?.close();
    for (const timer of [this.silence, this.retry, this.opening, this.missed]) clearTimeout(timer);
    clearInterval(this.resync);
    clearInterval(this.there);
    clearTimeout(this.drawing?.timer);
    this.drawing = null;
  }

  dismiss(): void {
    this.dispatch({ type: 'dismissed' });
  }

  /**
   * Sends a command and stays with it until it is answered: a lost link delays it, and the same id again gets the same
   * answer.
   * Commands go one after the other; the same request again, while the first is under way, is no second one.
   */
  ask(asked: Asked): Promise<boolean> {
    const key = JSON.stringify(asked);
    if (this.underWay.has(key)) return Promise.resolve(false);
    this.underWay.add(key);
    const request = { ...asked, commandId: newId(), seen: this.state.view.seq } as CommandRequest;
    const answered = this.queue.then(() => this.send(request)).finally(() => this.underWay.delete(key));
    this.queue = answered.catch(() => false);
    return answered;
  }

  /** Sends what was set aside once more, under the ids it had. */
  sendAside(): void {
    const waiting = this.state.aside;
    this.setAside([]);
    for (const { request } of waiting) this.queue = this.queue.then(() => this.send(request)).catch(() => false);
  }

  private setAside(aside: LiveState['aside']): void {
    this.dispatch({ type: 'aside', aside });
    sessionStorage.setItem(this.asideKey(), JSON.stringify(aside));
  }

  private asideKey(): string {
    return ASIDE + this.id;
  }

  private async send(request: CommandRequest): Promise<boolean> {
    this.dispatch({ type: 'sent' });
    let failures = 0;
    // The stream may bring a command's event before its answer, or instead of it when the link breaks in between.
    const heard = new Promise<'heard'>((resolve) => {
      this.awaited = { commandId: request.commandId, heard: () => resolve('heard') };
    });
    while (!this.closed) {
      try {
        const answer = await Promise.race([
          heard,
          answered(api.POST('/api/departures/{id}/commands', { params: { path: { id: this.id } }, body: request })),
        ]);
        if (answer !== 'heard') await this.shown(heard, answer.last);
        this.dispatch({ type: 'acknowledged' });
        return true;
      } catch (failure) {
        const ended = failure instanceof ProblemError && failure.problem.status === 401;
        if (failure instanceof ProblemError && !OF_THE_SERVER.has(failure.slug) && !ended) {
          this.dispatch({ type: 'refused', problem: failure.problem });
          if (failure.slug === 'conflict') void this.refresh();
          return false;
        }
        if (!(failure instanceof NoLinkError) && !(failure instanceof ProblemError)) throw failure;
        if (failure instanceof ProblemError && !ended && ++failures >= TRIES) {
          // The server answers, but not this: it must not hold up what comes after it.
          this.setAside([...this.state.aside, { request, problem: failure.problem }]);
          this.dispatch({ type: 'acknowledged' });
          return false;
        }
        if (!ended) this.dispatch({ type: 'silent' });
        await Promise.race([heard, new Promise((resolve) => setTimeout(resolve, RETRY_MS))]);
      }
    }
    return false;
  }

  /** What was answered is shown by the stream; from one that is silent it is not waited for. */
  private async shown(heard: Promise<'heard'>, seq: number): Promise<void> {
    await Promise.race([heard, new Promise((resolve) => setTimeout(resolve, STREAM_BRINGS_MS))]);
    const newest = Math.max(this.state.view.seq, this.state.events.at(-1)?.seq ?? 0);
    if (newest < seq) await this.refresh();
  }

  private dispatch(action: LiveAction): void {
    const next = reduce(this.state, action);
    if (next === this.state) return;
    const viewChanged = next.view !== this.state.view;
    const calm = isCalm(this.state, next, action);
    this.state = next;
    if (viewChanged) this.watchOpening();
    if (document.hidden) this.draw();
    else this.drawWithin(calm ? this.drawnAt + READINGS_MS - performance.now() : 0);
  }

  /** A page that nobody sees is told at once: its timers are slow, and its sound must not wait for them. */
  private draw(): void {
    clearTimeout(this.drawing?.timer);
    this.drawing = null;
    this.drawnAt = performance.now();
    for (const listener of this.listeners) listener();
  }

  private drawWithin(wait_ms: number): void {
    const wait = Math.max(wait_ms, TOGETHER_MS);
    const due = performance.now() + wait;
    if (this.drawing !== null && this.drawing.due <= due) return;
    clearTimeout(this.drawing?.timer);
    this.drawing = { timer: setTimeout(() => this.draw(), wait), due };
  }

  private connect(): void {
    if (this.closed) return;
    this.source?.close();
    const after = this.state.events.at(-1)?.seq ?? 0;
    const source = new EventSource(`/api/departures/${this.id}/stream?after=${after}`);
    this.source = source;
    source.addEventListener('log', (message) => this.heard({ type: 'logged', event: JSON.parse(message.data) }));
    source.addEventListener('view', (message) => this.heard({ type: 'viewed', view: JSON.parse(message.data) }));
    source.addEventListener('change', (message) => this.heard({ type: 'changed', view: JSON.parse(message.data) }));
    source.addEventListener('start', (message) =>
      this.heard({ type: 'engine', message: JSON.parse(message.data), at: performance.now() }),
    );
    source.addEventListener('apu', (message) =>
      this.heard({
        type: 'apu',
        samples: (JSON.parse(message.data) as { samples: SampleRow[] }).samples,
        at: performance.now(),
      }),
    );
    source.addEventListener('power', (message) =>
      this.heard({
        type: 'power',
        sources: (JSON.parse(message.data) as { sources: PowerReadings }).sources,
        at: performance.now(),
      }),
    );
    source.addEventListener('reader', (message) => {
      this.reader = (JSON.parse(message.data) as { id: string }).id;
    });
    source.onopen = () => void this.fetchStarts();
    source.addEventListener('heartbeat', (message) => {
      const beat = JSON.parse(message.data) as { now: string; devices: number };
      if (this.clock.isFarFrom(Date.parse(beat.now)))
        void this.clock
          .sync()
          .then(() => this.watchOpening())
          .catch(() => undefined);
      this.heard({ type: 'beat', devices: beat.devices });
    });
    source.onerror = () => {
      // A stream that broke is opened anew behind the last event received, whatever the browser would do.
      source.close();
      clearTimeout(this.retry);
      this.retry = setTimeout(() => this.connect(), RETRY_MS);
      // A stream does not say why it broke: who was signed out elsewhere is told so by the answer to this.
      void answered(api.GET('/api/departures/{id}/view', { params: { path: { id: this.id } } })).catch(() => undefined);
    };
  }

  /** Readings carry no number: what was missed while the stream was down is asked for by time. */
  private async fetchStarts(): Promise<void> {
    const newest = Object.values(this.state.engines).map((engine) => engine.samples.at(-1)?.[0] ?? 0);
    try {
      const starts = await answered(
        api.GET('/api/departures/{id}/starts', {
          params: { path: { id: this.id }, query: { after: newest.length > 0 ? Math.min(...newest) : 0 } },
        }),
      );
      this.dispatch({ type: 'sheet', sheet: starts.sheet ?? null });
      for (const message of starts.engines)
        this.dispatch({ type: 'engine', message: message as StartMessage, at: performance.now() });
    } catch (failure) {
      if (failure instanceof ProblemError) return;
      if (!(failure instanceof NoLinkError)) throw failure;
      // A server that is slow to answer may go on streaming: only asking again brings what was missed.
      clearTimeout(this.missed);
      if (!this.closed) this.missed = setTimeout(() => void this.fetchStarts(), RETRY_MS);
    }
  }

  /** Whether it was heard is no matter: a stream that is gone is found by its silence. */
  private sayThere(): void {
    if (this.reader === null || this.state.link !== 'live') return;
    void answered(
      api.PUT('/api/departures/{id}/readers/{reader}', { params: { path: { id: this.id, reader: this.reader } } }),
    ).catch(() => undefined);
  }

  private heard(action: LiveAction): void {
    this.listenForSilence();
    this.dispatch({ type: 'heard' });
    this.dispatch(action);
    if (action.type === 'logged' && action.event.commandId === this.awaited?.commandId) this.awaited.heard();
  }

  private listenForSilence(): void {
    clearTimeout(this.silence);
    this.silence = setTimeout(() => {
      this.dispatch({ type: 'silent' });
      if (this.source?.readyState === EventSource.OPEN) this.connect();
      this.listenForSilence();
    }, SILENCE_MS);
  }

  /** A gate that opens by time is no event: the view is asked for again at that moment. */
  private watchOpening(): void {
    clearTimeout(this.opening);
    const opensAt = this.state.view.nextOpening;
    if (!opensAt || this.closed) return;
    const wait = (Date.parse(opensAt) - this.clock.now()) / this.clock.speed();
    this.opening = setTimeout(() => void this.refresh(), Math.min(Math.max(wait, 0) + AFTER_OPENING_MS, 2 ** 31 - 1));
  }

  private async refresh(): Promise<void> {
    try {
      const view = await answered(api.GET('/api/departures/{id}/view', { params: { path: { id: this.id } } }));
      this.dispatch({ type: 'viewed', view });
      this.watchOpening();
    } catch {
      this.opening = setTimeout(() => void this.refresh(), RETRY_MS);
    }
  }
}
