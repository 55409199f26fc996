import { Button, NativeSelect, NumberInput } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { answered, api, ProblemError, type Schemas } from '../api/client';
import { outcomeWords } from '../start/startWords';
import { PageHead } from '../people/PageHead';
import { utc } from '../ui/time';
import styles from './TracesPage.module.css';

/** Start traces that were opened from files, and the way to open another. */
export function TracesPage() {
  const traces = useQuery({ queryKey: ['traces'], queryFn: () => answered(api.GET('/api/traces')) });
  return (
    <div className={styles.page}>
      <PageHead title="Traces" />
      <main>
        <Opening />
        {traces.data?.length === 0 && (
          <p className={styles.empty}>
            No trace has been opened yet. Choose a CSV file above; the traces of your own starts are in the logbook.
          </p>
        )}
        {traces.data && traces.data.length > 0 && (
          <table className={styles.table}>
            <thead>
              <tr>
                <th scope="col">File</th>
                <th scope="col">Type</th>
                <th scope="col">Engine</th>
                <th scope="col">Attempts</th>
                <th scope="col">Opened</th>
                <th scope="col">
                  <span className="unseen">File</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {traces.data.map((trace) => (
                <tr key={trace.id}>
                  <td>
                    <Link to={`/traces/${trace.id}`}>
                      <b>{trace.name}</b>
                    </Link>
                  </td>
                  <td>
                    {trace.typeId}
                    <small>{trace.elevation_ft} ft</small>
                  </td>
                  <td>
                    <EngineOfTrace trace={trace} />
                  </td>
                  <td>{trace.outcomes ? trace.outcomes.split(' ').map(outcomeWords).join(', ') : 'none'}</td>
                  <td>
                    {trace.openedAt.slice(0, 10)} {utc(trace.openedAt)}
                  </td>
                  <td>
                    <a href={`/api/traces/${trace.id}/file`} download>
                      Save
                    </a>{' '}
                    <Deleting id={trace.id} name={trace.name} />
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        <p className={styles.foot}>
          What a trace says is an aid to finding the cause. Limits and inspections are the approved manuals’.
        </p>
      </main>
    </div>
  );
}

/** Of which engine a trace is: then it stands among the starts of that engine. */
function EngineOfTrace({ trace }: { trace: Schemas['Trace'] }) {
  const queries = useQueryClient();
  const tails = useQuery({
    queryKey: ['trace-tails'],
    queryFn: () => answered(api.GET('/api/traces/tails')),
    staleTime: Number.POSITIVE_INFINITY,
  });
  const attach = useMutation({
    mutationFn: (of: string) => {
      const [tail, engine] = of.split(' ');
      return answered(
        api.PUT('/api/traces/{id}/engine', {
          params: { path: { id: trace.id } },
          body: tail && engine ? { tail, engine: Number(engine) } : {},
        }),
      );
    },
    onSettled: () => queries.invalidateQueries({ queryKey: ['traces'] }),
  });
  const engines = (tails.data ?? [])
    .filter((tail) => tail.typeId === trace.typeId)
    .flatMap((tail) =>
      [...tail.engines]
        .sort((a, b) => a - b)
        .map((engine) => ({ value: `${tail.tail} ${engine}`, label: `${tail.tail}, engine ${engine}` })),
    );
  const value = trace.tail && trace.engine ? `${trace.tail} ${trace.engine}` : '';
  return (
    <>
      <NativeSelect
        aria-label={`Engine of ${trace.name}`}
        value={value}
        disabled={attach.isPending || engines.length === 0}
        onChange={(event) => attach.mutate(event.currentTarget.value)}
        data={[{ value: '', label: engines.length === 0 ? 'no tail of this type' : 'not said' }, ...engines]}
      />
      {attach.isError && (
        <span role="alert">
          {attach.error instanceof ProblemError
            ? `${attach.error.problem.detail} ${attach.error.problem.todo}`
            : 'The server did not answer; it is not known whether the engine was kept.'}
        </span>
      )}
    </>
  );
}

/** Two presses: what is deleted does not come back. */
function Deleting({ id, name }: { id: string; name: string }) {
  const queries = useQueryClient();
  const [asked, setAsked] = useState(false);
  const remove = useMutation({
    mutationFn: () => answered(api.DELETE('/api/traces/{id}', { params: { path: { id } } })),
    onSettled: () => queries.invalidateQueries({ queryKey: ['traces'] }),
  });
  return (
    <>
      <Button
        ml="md"
        size="compact-md"
        variant="subtle"
        loading={remove.isPending}
        onBlur={() => setAsked(false)}
        aria-label={asked ? `Delete ${name} for good` : `Delete ${name}`}
        onClick={() => (asked ? remove.mutate() : setAsked(true))}
      >
        {asked ? 'Delete for good' : 'Delete'}
      </Button>
      {remove.isError && (
        <span role="alert">
          {' '}
          {remove.error instanceof ProblemError
            ? `${remove.error.problem.detail} ${remove.error.problem.todo}`
            : 'The server did not answer; it is not known whether it was deleted.'}
        </span>
      )}
    </>
  );
}

function Opening() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const chooser = useRef<HTMLInputElement>(null);
  const [type, setType] = useState('');
  const [elevation, setElevation] = useState<number | string>(0);
  const types = useQuery({
    queryKey: ['trace-types'],
    queryFn: () => answered(api.GET('/api/traces/types')),
    staleTime: Number.POSITIVE_INFINITY,
  });
  const open = useMutation({
    mutationFn: async (file: File) =>
      answered(
        api.POST('/api/traces', {
          params: { query: { name: file.name, elevation_ft: Number(elevation) || 0, ...(type ? { type } : {}) } },
          body: (await file.arrayBuffer()) as unknown as string,
          headers: { 'Content-Type': 'text/csv' },
          bodySerializer: (body) => body as unknown as ArrayBuffer,
        }),
      ),
    onSuccess: (trace) => {
      void queries.invalidateQueries({ queryKey: ['traces'] });
      void navigate(`/traces/${trace.id}`);
    },
  });
  return (
    <section className={styles.opening} aria-label="Open a trace">
      <NativeSelect
        label="Type, when the file does not name it"
        value={type}
        onChange={(event) => setType(event.currentTarget.value)}
        data={[{ value: '', label: 'As the file says' }, ...(types.data ?? [])]}
      />
      <NumberInput
        label="Elevation of the stand, ft"
        value={elevation}
        onChange={setElevation}
        min={-2000}
        max={20_000}
        hideControls
      />
      <input
        ref={chooser}
        type="file"
        accept=".csv,text/csv"
        className="unseen"
        tabIndex={-1}
        aria-label="Trace file"
        onChange={(event) => {
          const file = event.currentTarget.files?.[0];
          if (file) open.mutate(file);
          event.currentTarget.value = '';
        }}
      />
      <Button variant="filled" onClick={() => chooser.current?.click()} loading={open.isPending}>
        Choose a CSV file
      </Button>
      {open.error instanceof ProblemError && (
        <p role="alert" className={styles.wrong}>
          <b>{open.error.problem.title}.</b> {open.error.problem.detail} {open.error.problem.todo}{' '}
          {open.error.problem.kept}
        </p>
      )}
      {open.error && !(open.error instanceof ProblemError) && (
        <p role="alert" className={styles.wrong}>
          The server did not answer in time. Look in the list below whether the trace was opened before you try again.
        </p>
      )}
    </section>
  );
}
