import { Button, NativeSelect } from '@mantine/core';
import { useDeparture } from '../live/departureContext';
import { TakeBack } from '../ui/TakeBack';
import { serverClock } from '../live/useServerNow';
import { useFocusOfKey } from '../keys/useFocusOfKey';
import { useOneKey } from '../keys/useOneKey';
import { ApuPeak } from './ApuPeak';
import type { ApuSheet, ApuTap, ApuView } from './apuWords';
import styles from './ApuDesk.module.css';

/** An APU that nothing reads is told: what comes next under one key, everything else beside it. */
export function ApuTelling({ apu, sheet }: { apu: ApuView; sheet: ApuSheet | null }) {
  const { live, person } = useDeparture();
  const next = apu.offers.find((offer) => offer.tap === apu.next && !offer.warning);
  const key = useOneKey(next?.tap);
  const tell = (tap: ApuTap, why?: ApuSheet['stops'][number]['why']) => {
    key.told();
    void live.ask({ ask: 'TELL_APU', tap, why, tappedAt: new Date(serverClock.now()).toISOString() });
  };
  const others = apu.offers.filter((offer) => offer !== next && offer.tap !== 'STOPPED_ITSELF');
  const stops = apu.offers.some((offer) => offer.tap === 'STOPPED_ITSELF');
  const newest = apu.newest;
  const main = useFocusOfKey();
  return (
    <div className={styles.telling}>
      {next && (
        <Button
          variant="filled"
          className={styles.next}
          ref={main}
          data-autofocus
          onClick={() => key.press(() => tell(next.tap))}
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
        <TakeBack
          words={newest.words}
          own={newest.by.id === person.id}
          takeBack={(reason) => void live.ask({ ask: 'UNTELL_APU', reason })}
        />
      )}
    </div>
  );
}
