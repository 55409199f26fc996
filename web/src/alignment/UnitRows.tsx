import { useServerNow } from '../live/useServerNow';
import { countdown, utc } from '../ui/time';
import { counted, doing, offStand, type UnitsView, type UnitView } from './unitsWords';
import styles from './AlignmentDesk.module.css';

/** Each unit: what it does, how far its count is, what it holds and what it waits for. */
export function UnitRows({ units }: { units: UnitsView }) {
  return (
    <ul className={styles.units} aria-label="Inertial units">
      {units.units.map((unit) => (
        <UnitRow key={unit.number} unit={unit} near_NM={units.near_NM} />
      ))}
    </ul>
  );
}

/** The same, a line for each: on a card that has more to say. */
export function UnitLines({ units }: { units: UnitsView }) {
  return (
    <ul className={styles.lines} aria-label="Inertial units">
      {units.units.map((unit) => {
        const shown = unit.asks ?? unit.position;
        const off_NM = unit.asks ? unit.asksOff_NM : unit.off_NM;
        return (
          <li key={unit.number}>
            <b>{unit.number}</b> {doing(unit)}
            {shown && `, ${shown}`}
            {off_NM !== undefined && `: ${offStand(off_NM, units.near_NM)}`}
          </li>
        );
      })}
    </ul>
  );
}

function UnitRow({ unit, near_NM }: { unit: UnitView; near_NM: number }) {
  const now = useServerNow();
  const share = counted(unit, now);
  const left = unit.counted ? Date.parse(unit.counted) - now : 0;
  const shown = unit.asks ?? unit.position;
  const off_NM = unit.asks ? unit.asksOff_NM : unit.off_NM;
  const far = off_NM !== undefined && off_NM > near_NM;
  return (
    <li className={styles.unit} data-phase={unit.phase} data-far={far || undefined}>
      <span className={styles.number}>{unit.number}</span>
      <div>
        <p className={styles.doing}>
          <b>{doing(unit)}</b>
          {unit.code && ` ▲ code ${unit.code.code}`}
          {unit.restarts > 0 && `, begun anew ${unit.restarts === 1 ? 'once' : `${unit.restarts} times`}`}
        </p>
        {share !== null && (
          <>
            <svg className={styles.bar} viewBox="0 0 100 6" preserveAspectRatio="none" aria-hidden="true">
              <rect width="100" height="6" className={styles.rest} />
              <rect width={share * 100} height="6" className={styles.done} />
            </svg>
            <p className="small">
              {left > 0 ? `${countdown(left)} left, counted at ${utc(unit.counted ?? '', true)}` : 'its count is over'}
            </p>
          </>
        )}
        {shown && (
          <p className={far ? styles.far : undefined}>
            {unit.asks ? 'Asks again after ' : ''}
            {shown}
            {off_NM !== undefined && `: ${offStand(off_NM, near_NM)}`}
            {unit.slip && `; ${unit.slip}?`}
          </p>
        )}
        {unit.missing.length > 0 && <p className="small">Waits for {unit.missing.map(missing).join(', ')}.</p>}
      </div>
    </li>
  );
}

function missing(what: UnitView['missing'][number]): string {
  switch (what) {
    case 'TIME':
      return 'its time';
    case 'POSITION':
      return 'a position';
    case 'POSITION_AGAIN':
      return 'the position once more';
    case 'CODE':
      return 'its code to be dealt with';
  }
}
