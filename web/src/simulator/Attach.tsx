import { Button } from '@mantine/core';
import { useState } from 'react';
import { answered, api, ProblemError } from '../api/client';
import { useDeparture } from '../live/departureContext';
import styles from './Attach.module.css';

/** Lets the simulated aircraft send readings to a departure that has no feed. */
export function Attach() {
  const { page } = useDeparture();
  const [problem, setProblem] = useState<string | null>(null);
  const attach = () => {
    answered(api.POST('/api/departures/{id}/simulator', { params: { path: { id: page.id } } }))
      .then(() => setProblem(null))
      .catch((failure: unknown) => {
        if (!(failure instanceof ProblemError)) throw failure;
        setProblem(`${failure.problem.detail} ${failure.problem.todo}`);
      });
  };
  return (
    <section className={styles.panel} aria-label="Simulated aircraft">
      <p className={styles.title}>
        No feed.{' '}
        <b>
          {page.kind === 'REHEARSAL' ? 'Rehearse on the simulated aircraft?' : 'Let the simulated aircraft stand in?'}
        </b>{' '}
        It sends readings of its own; no real engine is touched.
      </p>
      <div className={styles.row}>
        <Button onClick={attach}>Attach the simulated aircraft</Button>
      </div>
      {problem && (
        <p role="alert" className={styles.problem}>
          {problem}
        </p>
      )}
    </section>
  );
}
