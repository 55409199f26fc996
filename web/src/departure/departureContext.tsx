import { createContext, useContext, useMemo, useSyncExternalStore, type ReactNode } from 'react';
import type { DeskPage, LineText, LineView, ProcedureText, ProcedureView, Role, Schemas, Seat } from '../api/client';
import type { DepartureLive } from '../live/DepartureLive';
import type { LiveState } from '../live/liveState';

/** A procedure's words together with how it stands. */
export interface Work { text: ProcedureText; view: ProcedureView; lines: WorkLine[] }
/** A line's words together with how it stands. */
export interface WorkLine { text: LineText; view: LineView }

interface DepartureValue {
  live: DepartureLive;
  page: DeskPage;
  person: Schemas['CrewMember'];
  state: LiveState;
  works: Work[];
  /** The seat and role of the person at this page; null when not seated. */
  mine: { seat: Seat; role: Role } | null;
  other: Schemas['SeatView'] | null;
}

const DepartureContext = createContext<DepartureValue | null>(null);

export function DepartureProvider({ live, page, person, children }: {
  live: DepartureLive; page: DeskPage; person: Schemas['CrewMember']; children: ReactNode;
}) {
  const state = useSyncExternalStore(live.subscribe, live.snapshot);
  const value = useMemo(() => {
    const seats = state.view.seats;
    const own = seats.find((seat) => seat.person.id === person.id);
    return {
      live, page, person, state,
      works: joined(page, state.view.procedures),
      mine: own ? { seat: own.seat, role: own.role } : null,
      other: seats.find((seat) => seat.person.id !== person.id) ?? null,
    };
  }, [live, page, person, state]);
  return <DepartureContext value={value}>{children}</DepartureContext>;
}

export function useDeparture(): DepartureValue {
  const value = useContext(DepartureContext);
  if (!value) throw new Error('useDeparture needs a DepartureProvider around it');
  return value;
}

function joined(page: DeskPage, views: ProcedureView[]): Work[] {
  return page.procedures.flatMap((text) => {
    const view = views.find((candidate) => candidate.id === text.id);
    if (!view) return [];
    const lines = text.lines.flatMap((line) => {
      const lineView = view.lines.find((candidate) => candidate.ref === line.ref);
      return lineView ? [{ text: line, view: lineView }] : [];
    });
    return [{ text, view, lines }];
  });
}
