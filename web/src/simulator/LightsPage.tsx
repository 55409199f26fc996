import { Button } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { answered, api, newId, ProblemError, type Schemas } from '../api/client';
import { PageHead } from '../people/PageHead';
import { PlainPage } from '../ui/PlainPage';
import styles from './LightsPage.module.css';

type Lights = Schemas['Lights'];
type Indication = Schemas['Indication'];

const LOOKED_AT_EVERY_MS = 500;
const SHOWS: Record<Indication['way'], string> = { LIGHT: 'lit', MESSAGE: 'shown', SOUND: 'sounds' };

/** The simulated aircraft's lights and sounds: a crew presses a test here, and finds at its desk what is missing. */
export function LightsPage() {
  const { id = '' } = useParams();
  const queries = useQueryClient();
  const key = ['lights', id];
  const lights = useQuery({
    queryKey: key,
    queryFn: () => answered<Lights>(api.GET('/api/departures/{id}/lights', { params: { path: { id } } })),
    refetchInterval: LOOKED_AT_EVERY_MS,
    retry: false,
  });
  const [naming, setNaming] = useState(false);
  const move = useMutation({
    mutationFn: ([control, position]: [string, string]) =>
      answered(
        api.POST('/api/departures/{id}/commands', {
          params: { path: { id } },
          body: { ask: 'TAP_CONTROL', commandId: newId(), seen: lights.data?.seq ?? 0, control, position },
        }),
      ),
    onSettled: () => void queries.invalidateQueries({ queryKey: key }),
  });
  const attach = useMutation({
    mutationFn: () => answered(api.POST('/api/departures/{id}/simulator', { params: { path: { id } } })),
    onSettled: () => void queries.invalidateQueries({ queryKey: key }),
  });
  if (!lights.data) {
    return (
      <PlainPage title="Lights of the simulated aircraft">
        <p>{lights.error ? words(lights.error) : 'Loading.'}</p>
      </PlainPage>
    );
  }
  const { data } = lights;
  const failure = move.error ?? attach.error;
  return (
    <div className={styles.page}>
      <PageHead title="Lights of the simulated aircraft" />
      <main>
        <p className={styles.what}>
          <b>
            {data.tail}, flight {data.flight}.
          </b>{' '}
          Nothing here is a real aircraft. Press a test, count what shows, and mark it at the desk.{' '}
          <Link to={`/departures/${id}`}>To the desk</Link>
        </p>
        {failure && (
          <p role="alert" className={styles.wrong}>
            {words(failure)}
          </p>
        )}
        {data.tests.length === 0 ? (
          <p>This type has no tests of warnings.</p>
        ) : data.attached ? (
          <>
            <Tests data={data} move={(control, position) => move.mutate([control, position])} />
            <Drawing data={data} naming={naming} />
            <Failing
              data={data}
              naming={naming}
              setNaming={setNaming}
              move={(control, position) => move.mutate([control, position])}
            />
          </>
        ) : (
          <Button variant="filled" onClick={() => attach.mutate()} loading={attach.isPending}>
            Attach the simulated aircraft
          </Button>
        )}
      </main>
    </div>
  );
}

function words(failure: Error): string {
  return failure instanceof ProblemError
    ? `${failure.problem.detail} ${failure.problem.todo}`
    : 'The server does not answer. This page tries again by itself.';
}

type Move = (control: string, position: string) => void;

function Tests({ data, move }: { data: Lights; move: Move }) {
  return (
    <section aria-label="Tests" className={styles.tests}>
      {data.tests.map((test) => (
        <div key={test.id} role="group" aria-label={test.label} className={styles.test}>
          <b>{test.label}</b>
          {test.phases.map((phase) => (
            <Button
              key={phase.id}
              variant={data.pressed[test.id] === phase.id ? 'filled' : 'default'}
              aria-pressed={data.pressed[test.id] === phase.id}
              onClick={() => move(`test/${test.id}`, phase.id)}
            >
              {phase.label}
            </Button>
          ))}
          <Button disabled={!data.pressed[test.id]} onClick={() => move(`test/${test.id}`, 'off')}>
            Off
          </Button>
        </div>
      ))}
    </section>
  );
}

function Drawing({ data, naming }: { data: Lights; naming: boolean }) {
  return (
    <div className={styles.groups}>
      {data.groups.map((group) => (
        <section key={group.id} aria-label={group.label} className={styles.group}>
          <h2>{group.label}</h2>
          <ul>
            {group.indications.map((one) => {
              const shows = data.showing.includes(one.id);
              return (
                <li key={one.id} data-shows={shows || undefined} data-way={one.way}>
                  <span aria-hidden="true">{shows ? '●' : '○'}</span> {one.label}
                  <small>
                    {shows ? SHOWS[one.way] : 'dark'}
                    {naming && data.failed.includes(one.id) ? ', failed' : ''}
                  </small>
                </li>
              );
            })}
          </ul>
        </section>
      ))}
    </div>
  );
}

/** Lamps fail by name, or one by chance, which is not told until somebody asks. */
function Failing({
  data,
  naming,
  setNaming,
  move,
}: {
  data: Lights;
  naming: boolean;
  setNaming: (naming: boolean) => void;
  move: Move;
}) {
  const whole = data.groups.flatMap((group) => group.indications).filter((one) => !data.failed.includes(one.id));
  const byChance = () => {
    const one = whole[Math.floor(Math.random() * whole.length)];
    if (one) move(`lamp/${one.id}`, 'failed');
  };
  return (
    <section aria-label="Lamps that fail" className={styles.failing}>
      <h2>Lamps that fail</h2>
      <div className={styles.row}>
        <Button disabled={whole.length === 0} onClick={byChance}>
          One fails by chance
        </Button>
        <Button
          disabled={data.failed.length === 0}
          onClick={() => data.failed.forEach((one) => move(`lamp/${one}`, 'whole'))}
        >
          All whole again
        </Button>
        <Button aria-pressed={naming} onClick={() => setNaming(!naming)}>
          {naming ? 'Do not tell which' : 'Tell which, or choose'}
        </Button>
      </div>
      {naming && (
        <div className={styles.row}>
          {data.groups
            .flatMap((group) => group.indications)
            .map((one) => {
              const failed = data.failed.includes(one.id);
              return (
                <Button
                  key={one.id}
                  aria-pressed={failed}
                  onClick={() => move(`lamp/${one.id}`, failed ? 'whole' : 'failed')}
                >
                  {one.label}: {failed ? 'failed' : 'whole'}
                </Button>
              );
            })}
        </div>
      )}
    </section>
  );
}
