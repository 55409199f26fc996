import { createContext, useContext, useMemo, useRef, useSyncExternalStore, type ReactNode } from 'react';
import type { DeskPage, LineText, LineView, ProcedureText, ProcedureView, Role, Schemas, Seat } from '../api/client';
import type { DepartureLive } from './DepartureLive';
import type { EngineLive, LiveState } from './liveState';

/** A procedure's words together with how it stands. */
export interface Work {
  text: ProcedureText;
  view: ProcedureView;
  lines: WorkLine[];
}
/** A line's words together with how it stands. */
export interface WorkLine {
  text: LineText;
  view: LineView;
}

/** All but the readings, which change ten times a second and concern few. */
export type DeskState = Omit<LiveState, 'engines' | 'apu' | 'power'>;

interface DepartureValue {
  live: DepartureLive;
  page: DeskPage;
  person: Schemas['CrewMember'];
  state: DeskState;
  works: Work[];
  /** The seat and role of the person at this page; null when not seated. */
  mine: { seat: Seat; role: Role } | null;
  other: Schemas['SeatView'] | null;
}

const DepartureContext = createContext<DepartureValue | null>(null);

export function DepartureProvider({
  live,
  page,
  person,
  children,
}: {
  live: DepartureLive;
  page: DeskPage;
  person: Schemas['CrewMember'];
  children: ReactNode;
}) {
  const state = useDeskState(live);
  const joined = useJoined(page, state.view.procedures);
  const value = useMemo(() => {
    const seats = state.view.seats;
    const own = seats.find((seat) => seat.person.id === person.id);
    return {
      live,
      page,
      person,
      state,
      works: joined,
      mine: own ? { seat: own.seat, role: own.role } : null,
      other: seats.find((seat) => seat.person.id !== person.id) ?? null,
    };
  }, [live, page, person, state, joined]);
  return <DepartureContext value={value}>{children}</DepartureContext>;
}

export function useDeparture(): DepartureValue {
  const value = useContext(DepartureContext);
  if (!value) throw new Error('useDeparture needs a DepartureProvider around it');
  return value;
}

/** The engines of which anything was read, by their numbers; who asks is drawn anew with each reading. */
export function useEngines(): Record<number, EngineLive> {
  const { live } = useDeparture();
  return useSyncExternalStore(live.subscribe, () => live.snapshot().engines);
}

/** What the instruments of the electric sources show; who asks is drawn anew with each reading. */
export function usePowerReadings(): LiveState['power'] {
  const { live } = useDeparture();
  return useSyncExternalStore(live.subscribe, () => live.snapshot().power);
}

/** What the aircraft's instruments show by a feed; who asks is drawn anew with each reading. */
export function useInstruments(): Pick<LiveState, 'power' | 'engines' | 'sheet'> {
  const power = usePowerReadings();
  const engines = useEngines();
  const { sheet } = useDeparture().state;
  return { power, engines, sheet };
}

/** What was read of the APU while the page was up; who asks is drawn anew with each reading. */
export function useApuReadings(): LiveState['apu'] {
  const { live } = useDeparture();
  return useSyncExternalStore(live.subscribe, () => live.snapshot().apu);
}

function useDeskState(live: DepartureLive): DeskState {
  const known = useRef<DeskState | null>(null);
  return useSyncExternalStore(live.subscribe, () => {
    const { engines: _, apu: __, power: ___, ...now } = live.snapshot();
    const before = known.current;
    if (before === null || (Object.keys(now) as (keyof DeskState)[]).some((key) => before[key] !== now[key]))
      known.current = now;
    return known.current ?? now;
  });
}

/** The words of the procedures with how they stand; what stands as before stays the same object. */
function useJoined(page: DeskPage, views: ProcedureView[]): Work[] {
  const known = useRef<{ page: DeskPage; works: Map<ProcedureView, Work>; lines: Map<LineView, WorkLine> } | null>(
    null,
  );
  return useMemo(() => {
    const before = known.current?.page === page ? known.current : null;
    const works = new Map<ProcedureView, Work>();
    const lines = new Map<LineView, WorkLine>();
    const byId = new Map(views.map((view) => [view.id, view]));
    for (const text of page.procedures) {
      const view = byId.get(text.id);
      if (!view) continue;
      const byRef = new Map(view.lines.map((line) => [line.ref, line]));
      const of: WorkLine[] = [];
      for (const line of text.lines) {
        const lineView = byRef.get(line.ref);
        if (!lineView) continue;
        const one = before?.lines.get(lineView) ?? { text: line, view: lineView };
        lines.set(lineView, one);
        of.push(one);
      }
      works.set(view, before?.works.get(view) ?? { text, view, lines: of });
    }
    known.current = { page, works, lines };
    return [...works.values()];
  }, [page, views]);
}
