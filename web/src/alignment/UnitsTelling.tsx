import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useState } from 'react';
import { useFocusOfKey } from '../keys/useFocusOfKey';
import { useOneKey } from '../keys/useOneKey';
import { useDeparture } from '../live/departureContext';
import { TakeBack } from '../ui/TakeBack';
import { PositionEntry } from './PositionEntry';
import { which, type UnitsView, type UnitTap } from './unitsWords';
import { useTellUnits, useUnitsNext } from './useUnitsNext';
import styles from './AlignmentDesk.module.css';

/** Units that nothing reads are told: what comes next under one key, everything else beside it, all or one by one. */
export function UnitsTelling({ units }: { units: UnitsView }) {
  const { live, person } = useDeparture();
  const [unit, setUnit] = useState('');
  const [code, setCode] = useState('');
  const next = useUnitsNext(units);
  const key = useOneKey(`${units.next ?? ''} ${units.nextFor.join()}`);
  const send = useTellUnits();
  const main = useFocusOfKey();
  const all = units.units.length;
  const of = (can: number[]) => (unit === '' ? can : can.filter((number) => String(number) === unit));
  const tell = (tap: UnitTap, numbers: number[], more = {}) => {
    key.told();
    void send(tap, numbers, more);
  };
  const offers = units.offers.filter(
    (offer) => !['POSITION', 'CODE', units.next].includes(offer.tap) && of(offer.units).length > 0,
  );
  const coded = of(units.offers.find((offer) => offer.tap === 'CODE')?.units ?? []);
  const positioned = of(units.offers.find((offer) => offer.tap === 'POSITION')?.units ?? []);
  const newest = units.newest;
  return (
    <div className={styles.telling}>
      {next && (
        <Button
          variant="filled"
          classNames={{ root: styles.next, label: styles.words }}
          ref={main}
          data-autofocus
          onClick={() => key.press(next.tell)}
          rightSection={<span className={styles.key}>Space</span>}
        >
          {next.words}
          {which(units.nextFor, all) && `, ${which(units.nextFor, all)}`}
        </Button>
      )}
      {positioned.length > 0 && <PositionEntry units={units} of={positioned} />}
      <NativeSelect
        label="What else is told is of"
        value={unit}
        onChange={(event) => setUnit(event.currentTarget.value)}
        data={[
          { value: '', label: 'all units' },
          ...units.units.map((one) => ({ value: String(one.number), label: `unit ${one.number} alone` })),
        ]}
      />
      <div className={styles.offers} role="group" aria-label="Tell something else of the inertial units">
        {offers.map((offer) => (
          <Button key={offer.tap} onClick={() => tell(offer.tap, of(offer.units))}>
            {offer.words}
          </Button>
        ))}
      </div>
      {coded.length > 0 && (
        <form
          className={styles.entry}
          onSubmit={(event) => {
            event.preventDefault();
            tell('CODE', coded.slice(0, 1), { code });
            setCode('');
          }}
        >
          <TextInput
            label={`Fault code of unit ${coded[0]}`}
            maxLength={12}
            autoComplete="off"
            value={code}
            onChange={(event) => setCode(event.currentTarget.value)}
          />
          <Button type="submit" disabled={code.trim() === ''}>
            It shows this code
          </Button>
        </form>
      )}
      {newest && (
        <TakeBack
          words={newest.words}
          own={newest.by.id === person.id}
          takeBack={(reason) => void live.ask({ ask: 'UNTELL_UNITS', reason })}
        />
      )}
    </div>
  );
}
