import { Button, Drawer } from '@mantine/core';
import { lazy, Suspense, useRef, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { serverClock } from '../live/useServerNow';
import { Announcer } from '../ui/Announcer';
import { Key } from '../ui/Key';
import { AbnormalSheet } from './AbnormalSheet';
import { ClocksRail } from './ClocksRail';
import styles from './Desk.module.css';
import { useDeparture } from '../live/departureContext';
import { FactsSheet } from './FactsSheet';
import { FindLine } from './FindLine';
import { HandOverDesk } from './HandOverDesk';
import { HelpSheet } from './HelpSheet';
import { ProcedureDesk } from './ProcedureDesk';
import { RecordDesk } from './RecordDesk';
import { Ribbon } from './Ribbon';
import { SeatDesk } from './SeatDesk';
import { Thread } from './Thread';
import { useAwake } from './useAwake';
import { useDeskKeys } from './useDeskKeys';
import { useKeyBlock } from '../keys/useKeys';
import { isMine, procedureToGoOnWith } from './work';

/** What is heavy comes when it is looked at first. */
const ApuSheet = lazy(() => import('../apu/ApuSheet').then((sheet) => ({ default: sheet.ApuSheet })));
const AlignmentSheet = lazy(() =>
  import('../alignment/AlignmentSheet').then((sheet) => ({ default: sheet.AlignmentSheet })),
);
const PowerSheet = lazy(() => import('../electrics/PowerSheet').then((sheet) => ({ default: sheet.PowerSheet })));

export type Sheet =
  'help' | 'find' | 'clocks' | 'seats' | 'thread' | 'facts' | 'abnormal' | 'apu' | 'inertial' | 'power' | null;

/** What stands over the whole desk, and takes its keys. */
const OVER_ALL: readonly Sheet[] = ['clocks', 'thread', 'apu', 'inertial', 'power'];

/** The four regions of a departure: ribbon, thread, desk and clocks. */
export function Desk() {
  const { page, state, works, mine } = useDeparture();
  const { procedure } = useParams();
  const navigate = useNavigate();
  const [sheet, setSheet] = useState<Sheet>(null);
  const work =
    works.find((candidate) => candidate.text.id === procedure) ??
    works.find((candidate) => candidate.view.held && mine && isMine(candidate, mine.seat)) ??
    procedureToGoOnWith(works, mine?.seat ?? null, serverClock.now());
  const [visit, setVisit] = useState(0);
  // Where the crew was when something went wrong or a line was looked up: one key brings them back there.
  const [place, setPlace] = useState<string | null>(null);
  const [found, setFound] = useState<string | null>(null);
  const go = (id: string, line: string | null = null) => {
    const list = works.find((candidate) => candidate.text.id === id)?.text.occasion === 'ABNORMAL';
    if (id === place) setPlace(null);
    else if ((list || line) && work && work.text.occasion !== 'ABNORMAL' && work.text.id !== id) setPlace(work.text.id);
    setFound(line);
    setSheet(null);
    setVisit(visit + 1);
    void navigate(`/departures/${page.id}/${id}`);
  };
  /** Goes elsewhere while this procedure waits, and remembers where it waits. */
  const meanwhile = (id: string) => {
    go(id);
    setPlace(work?.text.id ?? null);
  };
  const going = useDeskKeys({ works, sheet, open: setSheet, go, place, today: () => void navigate('/') });

  const takenFrom = state.view.seats.find((seat) => seat.seat === mine?.seat)?.takenFrom;
  const closed = state.view.lifecycle === 'SIGNED' || state.view.lifecycle === 'ABANDONED';
  const ready = state.view.lifecycle === 'OFF_BLOCK' && state.view.openLines === 0;
  const record = closed || (ready && !procedure);
  useKeyBlock('sheet', OVER_ALL.includes(sheet));
  useAwake(mine !== null && !closed);
  const close = () => setSheet(null);
  const looked = useRef(new Set<Sheet>());
  looked.current.add(sheet);
  const theDay = mine && state.view.facts.length > 0 && (
    <Button onClick={() => setSheet('facts')} rightSection={<Key name="V" />}>
      The day
    </Button>
  );
  const theApu = state.view.apu && (
    <Button onClick={() => setSheet('apu')} rightSection={<Key name="P" />}>
      APU
    </Button>
  );
  const theUnits = state.view.units && (
    <Button onClick={() => setSheet('inertial')} rightSection={<Key name="I" />}>
      Inertial units
    </Button>
  );
  const thePower = state.view.electrics && (
    <Button onClick={() => setSheet('power')} rightSection={<Key name="K" />}>
      Sources and buses
    </Button>
  );
  const sheets = (
    <div className={styles.sheets}>
      {theDay}
      {thePower}
      {theApu}
      {theUnits}
    </div>
  );
  return (
    <div className={styles.frame}>
      <Ribbon open={setSheet} />
      <nav className={styles.thread} aria-label="Preparation">
        <Thread selected={record ? null : (work?.text.id ?? null)} go={go} going={going} />
      </nav>
      <main className={styles.desk} aria-label="Desk">
        {record ? (
          <RecordDesk />
        ) : mine && takenFrom && !closed ? (
          <HandOverDesk from={takenFrom.name} seat={mine.seat} />
        ) : !mine || sheet === 'seats' ? (
          <SeatDesk close={close} />
        ) : (
          work && (
            <ProcedureDesk
              key={`${work.text.id} ${visit}`}
              work={work}
              go={go}
              meanwhile={meanwhile}
              place={place}
              found={found}
              idle={sheet !== null}
              ready={ready}
            />
          )
        )}
      </main>
      <aside className={styles.clocks} aria-label="Clocks and gates" tabIndex={-1} id="clocks">
        <ClocksRail />
        {sheets}
      </aside>
      <Drawer opened={sheet === 'clocks'} onClose={close} position="right" title="Clocks and gates" size={320}>
        <ClocksRail quiet />
        {sheets}
      </Drawer>
      <Drawer opened={sheet === 'thread'} onClose={close} title="Preparation" size={300}>
        <Thread selected={work?.text.id ?? null} go={go} />
      </Drawer>
      <FindLine opened={sheet === 'find'} close={close} go={go} />
      <FactsSheet opened={sheet === 'facts'} close={close} />
      <AbnormalSheet opened={sheet === 'abnormal'} close={close} go={go} />
      {state.view.apu && looked.current.has('apu') && (
        <Suspense>
          <ApuSheet opened={sheet === 'apu'} close={close} />
        </Suspense>
      )}
      {state.view.units && looked.current.has('inertial') && (
        <Suspense>
          <AlignmentSheet opened={sheet === 'inertial'} close={close} />
        </Suspense>
      )}
      {state.view.electrics && looked.current.has('power') && (
        <Suspense>
          <PowerSheet opened={sheet === 'power'} close={close} />
        </Suspense>
      )}
      <HelpSheet opened={sheet === 'help'} close={close} />
      <Announcer text={state.link === 'lost' ? 'The link is lost. What was acknowledged is kept.' : ''} />
    </div>
  );
}
