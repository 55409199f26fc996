import createClient, { type Middleware } from 'openapi-fetch';
import type { components, paths } from '../generated/api';

export type Schemas = components['schemas'];
export type DeskPage = Schemas['DeskPage'];
export type DepartureView = Schemas['DepartureView'];
export type ProcedureView = Schemas['ProcedureView'];
export type ProcedureText = Schemas['ProcedureText'];
export type LineView = Schemas['LineView'];
export type LineText = Schemas['LineText'];
export type ClockView = Schemas['ClockView'];
export type PanelMap = Schemas['PanelMap'];
export type CommandRequest = Schemas['CommandRequest'];
export type Problem = Schemas['Problem'];
export type LogEvent = Schemas['LogEvent'];
export type Heartbeat = Schemas['Heartbeat'];
export type SessionInfo = Schemas['SessionInfo'];
export type TodayRow = Schemas['TodayRow'];
export type StartSheet = Schemas['StartSheet'];
export type StartView = Schemas['StartView'];
/**
 * Milliseconds since 1970, then start spool, temperature, flow, oil, supply, fan, starter, fuel; null where there is no
 * reading.
 */
export type SampleRow = (number | null)[];
export type StartMessage = { view: StartView; samples: SampleRow[] };
export type Replay = Schemas['Replay'];
export type Seat = 'LEFT' | 'RIGHT';
export type Role = 'FLYING' | 'MONITORING';

/** A request that the server answered with a problem. */
export class ProblemError extends Error {
  readonly problem: Problem;
  constructor(problem: Problem) {
    super(problem.detail);
    this.problem = problem;
  }
  get slug(): string {
    return this.problem.type.slice(this.problem.type.lastIndexOf(':') + 1);
  }
}

/** Told to the window when a request was answered that nobody is signed in. */
export const SIGNED_OUT = 'skelda:signed-out';

/** A request that got no answer at all. */
export class NoLinkError extends Error {}

const csrf: Middleware = {
  onRequest({ request }) {
    const token = document.cookie.split('; ').find((part) => part.startsWith('XSRF-TOKEN='));
    if (token) request.headers.set('X-XSRF-TOKEN', decodeURIComponent(token.slice('XSRF-TOKEN='.length)));
    return request;
  },
};

/**
 * A link can be lost without a word; a request that hangs is given up, and a command is sent again under its own id.
 */
const GIVEN_UP_AFTER_MS = 5000;
/** A file takes its time to be sent and judged. */
const UPLOAD_GIVEN_UP_AFTER_MS = 120_000;

function limit(request: Request): number {
  return request.method === 'POST' && new URL(request.url).pathname === '/api/traces'
    ? UPLOAD_GIVEN_UP_AFTER_MS
    : GIVEN_UP_AFTER_MS;
}

export const api = createClient<paths>({
  baseUrl: '/',
  fetch: (request) => globalThis.fetch(request, { signal: AbortSignal.timeout(limit(request)) }),
});
api.use(csrf);

/** The data of an answer; throws ProblemError for a problem and NoLinkError without an answer. */
export async function answered<T>(call: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
  let result;
  try {
    result = await call;
  } catch {
    throw new NoLinkError('The server did not answer.');
  }
  if (!result.response.ok) {
    const problem = result.error as Problem | undefined;
    if (problem?.type?.startsWith('urn:skelda:problem:')) {
      if (result.response.status === 401) window.dispatchEvent(new Event(SIGNED_OUT));
      throw new ProblemError(problem);
    }
    throw new NoLinkError(`The server answered ${result.response.status}.`);
  }
  return result.data as T;
}

/** A random UUID; made from random bytes because plain http in a local network has no randomUUID. */
export function newId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  bytes[6] = ((bytes[6] ?? 0) & 0x0f) | 0x40;
  bytes[8] = ((bytes[8] ?? 0) & 0x3f) | 0x80;
  const hex = Array.from(bytes, (byte) => byte.toString(16).padStart(2, '0')).join('');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-${hex.slice(12, 16)}-${hex.slice(16, 20)}-${hex.slice(20)}`;
}
