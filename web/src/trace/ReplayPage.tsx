import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { answered, api, ProblemError, type Replay } from '../api/client';
import { PageHead } from '../people/PageHead';
import { PlainPage } from '../ui/PlainPage';
import { ReplayDesk } from './ReplayDesk';
import styles from './TracesPage.module.css';

/** A start as it happened: a trace from a file, or an attempt of a departure. */
export function ReplayPage() {
  const { id = '', engine, number } = useParams();
  const replay = useQuery({
    queryKey: ['replay', id, engine, number],
    staleTime: Number.POSITIVE_INFINITY,
    queryFn: () =>
      answered<Replay>(
        engine && number
          ? api.GET('/api/departures/{id}/starts/{engine}/{number}/replay', {
              params: { path: { id, engine: Number(engine), number: Number(number) } },
            })
          : api.GET('/api/traces/{id}/replay', { params: { path: { id } } }),
      ),
  });
  if (replay.error instanceof ProblemError)
    return (
      <PlainPage title={replay.error.problem.title}>
        <p>
          {replay.error.problem.detail} {replay.error.problem.todo}
        </p>
      </PlainPage>
    );
  if (replay.error)
    return (
      <PlainPage title="No link to the server">
        <p>The server does not answer. Reload the page to try again.</p>
      </PlainPage>
    );
  const file = engine ? `/api/departures/${id}/starts/${engine}/${number}/trace` : `/api/traces/${id}/file`;
  const beside = engine ? `departure.${id}.${engine}.${number}` : `trace.${id}.1`;
  return (
    <div className={styles.page}>
      <PageHead title="Replay" />
      {replay.data ? <ReplayDesk replay={replay.data} file={file} beside={beside} /> : <p>Loading the trace.</p>}
    </div>
  );
}
