import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useParams } from 'react-router';
import { answered, api, ProblemError, type Schemas } from '../api/client';
import { PageHead } from '../people/PageHead';
import { outcomeWords } from '../start/startWords';
import { PlainPage } from '../ui/PlainPage';
import styles from './BesidePage.module.css';
import { BesideLanes } from './BesideLanes';
import { dated } from './besideWords';
import { Figures } from './Figures';
import { OtherStarts } from './OtherStarts';

/** The band, in the list of what a start can be laid beside. */
const LAST_TEN = '';

/** One start beside another of its aircraft, or beside the band of its engine's last ten. */
export function BesidePage() {
  const { start = '' } = useParams();
  // Another start is another page, and begins with its own band.
  return <Beside key={start} start={start} />;
}

function Beside({ start }: { start: string }) {
  const [other, setOther] = useState(LAST_TEN);
  const query = useQuery({
    queryKey: ['beside', start, other],
    queryFn: () =>
      answered(
        api.GET('/api/beside/{start}', {
          params: { path: { start }, query: other === LAST_TEN ? {} : { with: other } },
        }),
      ),
    placeholderData: (before) => before,
    staleTime: Number.POSITIVE_INFINITY,
  });
  if (query.error instanceof ProblemError)
    return (
      <PlainPage title={query.error.problem.title}>
        <p>
          {query.error.problem.detail} {query.error.problem.todo}
        </p>
      </PlainPage>
    );
  if (query.error)
    return (
      <PlainPage title="No link to the server">
        <p>The server does not answer. Reload the page to try again.</p>
      </PlainPage>
    );
  const beside = query.data;
  return (
    <div className={styles.page}>
      <PageHead title="Beside" />
      {!beside && <p>Loading the starts.</p>}
      {beside && (
        <main className={styles.desk}>
          <Heading beside={beside} />
          <div className={styles.columns}>
            <OtherStarts choices={beside.choices} engine={beside.one.engine} chosen={other} onChoose={setOther} />
            <BesideLanes beside={beside} />
            <Figures beside={beside} />
          </div>
          <p className={styles.foot}>
            What differs is an aid to finding the cause. Limits and inspections are the approved manuals’.
          </p>
        </main>
      )}
    </div>
  );
}

function Heading({ beside }: { beside: Schemas['Beside'] }) {
  const { one, other, band } = beside;
  return (
    <div className={styles.heading}>
      <p>
        <b>{one.tail ? `${one.tail}, engine ${one.engine}: ` : ''}</b>
        {named(one)}
      </p>
      <p className={styles.legend}>
        <span className={styles.own} aria-hidden="true" /> this start{' '}
        {other && (
          <>
            <span className={styles.other} aria-hidden="true" /> {named(other)}
          </>
        )}
        {band && band.spreads.length > 0 && (
          <>
            <span className={styles.band} aria-hidden="true" /> lowest to highest of the last {band.starts} good starts
            before it, <span className={styles.other} aria-hidden="true" /> their median
          </>
        )}
        {band && band.spreads.length === 0 && <NoBand starts={band.starts} named={one.tail !== undefined} />}
      </p>
    </div>
  );
}

function NoBand({ starts, named: isNamed }: { starts: number; named: boolean }) {
  if (!isNamed) return <>There is no band: say under Traces of which engine this file is.</>;
  return (
    <>
      There is no band: {starts === 0 ? 'no good start' : `only ${starts} good start${starts === 1 ? '' : 's'}`} of this
      engine before it {starts < 2 ? 'is' : 'are'} on record, and a band needs three.
    </>
  );
}

function named(side: Schemas['Side']): string {
  const what = side.title === 'before' ? 'start before departures were kept here' : side.title;
  return `${what}${side.at ? `, ${dated(side.at)}` : ''}: ${outcomeWords(side.outcome)}`;
}
