import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link, useParams } from 'react-router';
import { answered, api, ProblemError, type DeskPage, type Schemas } from '../api/client';
import { DepartureLive } from '../live/DepartureLive';
import { serverClock } from '../live/useServerNow';
import { PlainPage } from '../ui/PlainPage';
import { Desk } from './Desk';
import { DepartureProvider } from '../live/departureContext';

/** Loads a departure once and keeps it live from then on. */
export function DeparturePage({ person }: { person: Schemas['CrewMember'] }) {
  const { id = '' } = useParams();
  const desk = useQuery({
    queryKey: ['desk', id],
    queryFn: () => answered<DeskPage>(api.GET('/api/departures/{id}', { params: { path: { id } } })),
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 0,
    refetchOnWindowFocus: false,
    refetchInterval: (query) => (query.state.error && !(query.state.error instanceof ProblemError) ? 2000 : false),
  });
  if (desk.error instanceof ProblemError) {
    return (
      <PlainPage title={desk.error.problem.title}>
        <p>
          {desk.error.problem.detail} <Link to="/">Go to Today</Link>.
        </p>
      </PlainPage>
    );
  }
  if (!desk.data)
    return (
      <PlainPage title="Skelda">
        <p>
          {desk.isError ? 'The server does not answer. This page tries again by itself.' : 'Loading the departure.'}
        </p>
      </PlainPage>
    );
  return <LiveDesk key={id} page={desk.data} person={person} />;
}

function LiveDesk({ page, person }: { page: DeskPage; person: Schemas['CrewMember'] }) {
  const [live] = useState(() => new DepartureLive(page.id, serverClock, page.view));
  useEffect(() => {
    void serverClock.sync().catch(() => undefined);
    live.start();
    return () => live.stop();
  }, [live]);
  return (
    <DepartureProvider live={live} page={page} person={person}>
      <Desk />
    </DepartureProvider>
  );
}
