import { Button, NativeSelect } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';
import { useDeparture } from '../live/departureContext';
import { serverClock } from '../live/useServerNow';
import { DeskDialog } from '../ui/DeskDialog';
import { ReasonForm } from '../ui/ReasonForm';
import { ApuPeak } from './ApuPeak';
import type { ApuSheet, ApuTap, ApuView } from './apuWords';
import styles from './ApuDesk.module.css';

const UNREAD_MS = 400;
const SAME_PRESS_MS = 250;

/** An APU that nothing reads is told: what comes next under one key, everything else beside it. */
export function ApuTelling({ apu, sheet }: { apu: ApuView; sheet: ApuSheet | null }) {
  const { live, person } = useDeparture();
  const [asking, setAsking] = useState(false);
  const byMe = useRef(true);
  const tell = (tap: ApuTap, why?: ApuSheet['stops'][number]['why']) => {
    byMe.current = true;
    void live.ask({ ask: 'TELL_APU', tap, why, tappedAt: new Date(serverClock.now()).toISOString() });
  };
  const next = apu.offers.find((offer) => offer.tap === apu.next && !offer.warning);
  const others = apu.offers.filter((offer) => offer !== next && offer.tap !== 'STOPPED_ITSELF');
  const stops = apu.offers.some((offer) => offer.tap === 'STOPPED_ITSELF');
  const newest = apu.newest;
  const untell = (reason?: string) => {
    setAsking(false);
    void live.ask({ ask: 'UNTELL_APU', reason });
  };
  const main = useRef<HTMLButtonElement>(null);
  const shownAt = useRef(Number.NEGATIVE_INFINITY);
  const pressedAt = useRef(Number.NEGATIVE_INFINITY);
  // The one key answers what has been read: the button has the focus.
  useEffect(() => {
    // What one's own word brings up is expected; what a colleague's brings up waits for an eye.
    shownAt.current = byMe.current ? Number.NEGATIVE_INFINITY : performance.now();
    byMe.current = false;
    if (document.activeElement === document.body || document.activeElement?.getAttribute('role') === 'dialog')
      main.current?.focus();
  }, [next?.tap]);
  const press = (tap: ApuTap) => {
    const at = performance.now();
    if (at - pressedAt.current < SAME_PRESS_MS || at - shownAt.current < UNREAD_MS) return;
    pressedAt.current = at;
    tell(tap);
  };
  return (
    <div className={styles.telling}>
      {next && (
        <Button
          variant="filled"
          className={styles.next}
          ref={main}
          data-autofocus
          onClick={() => press(next.tap)}
          rightSection={<span className={styles.key}>Space</span>}
        >
          {next.words}
        </Button>
      )}
      {others.length > 0 && (
        <div className={styles.offers} role="group" aria-label="Tell something else of the APU">
          {others.map((offer) => (
            <Button key={offer.tap} onClick={() => tell(offer.tap)}>
              <span>
                {offer.words}
                {offer.warning && <small className={styles.warning}>Not yet: {offer.warning}</small>}
              </span>
            </Button>
          ))}
        </div>
      )}
      {stops && sheet && (
        <NativeSelect
          label="It stopped itself"
          value=""
          onChange={(event) => {
            const stop = sheet.stops.find((one) => one.why === event.currentTarget.value);
            if (stop) tell('STOPPED_ITSELF', stop.why);
          }}
          data={[
            { value: '', label: 'Choose the light or message that tells why' },
            ...sheet.stops.map((stop) => ({ value: stop.why, label: stop.label })),
          ]}
        />
      )}
      <ApuPeak apu={apu} done={() => main.current?.focus()} />
      {newest && (
        <Button className={styles.back} onClick={() => (newest.by.id === person.id ? untell() : setAsking(true))}>
          Take back: {newest.words}
        </Button>
      )}
      <DeskDialog opened={asking} close={() => setAsking(false)} title={`Take back: ${newest?.words ?? ''}`}>
        <ReasonForm
          presets={[]}
          label="Why you take back your colleague's word"
          submitLabel="Take back"
          submit={untell}
        />
      </DeskDialog>
    </div>
  );
}
