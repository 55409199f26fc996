import { useDeparture } from '../live/departureContext';
import { Attach } from '../simulator/Attach';
import { Announcer } from '../ui/Announcer';
import { Says } from '../ui/Says';
import { inWords, isoDuration, utc } from '../ui/time';
import { SimulatedUnits } from './SimulatedUnits';
import { UnitRows } from './UnitRows';
import { UnitsTelling } from './UnitsTelling';
import { advised, reasons, type UnitsView } from './unitsWords';
import styles from './AlignmentDesk.module.css';

/**
 * The inertial units: one hand types the stand's position, the eyes compare. What to do now stands first, then each
 * unit against the stand, then which alignment this flight needs and until when.
 */
export function AlignmentDesk() {
  const { page, state, mine } = useDeparture();
  const units = state.view.units;
  if (!units) return <p>{page.typeName} has no inertial units.</p>;
  const closed = state.view.lifecycle === 'SIGNED' || state.view.lifecycle === 'ABANDONED';
  const simulated = state.view.feed?.simulated === true && state.view.feed.lostAt === undefined;
  return (
    <article className={styles.desk} data-testid="alignment-desk">
      <Says
        label="Inertial units"
        says={units.says}
        why={units.why}
        until={units.until}
        loud={units.alarm ? 'act' : 'quiet'}
      />
      <div className={styles.columns}>
        <div className={styles.told}>
          {mine && !closed && !units.read && <UnitsTelling units={units} />}
          {mine && !closed && !state.view.feed && state.sheet && <Attach />}
          {mine && !closed && simulated && <SimulatedUnits units={units} />}
        </div>
        <div>
          <UnitRows units={units} />
          <p className={styles.stand}>
            Stand {page.stand}: <b>{units.stand}</b>
          </p>
          {units.units.some((unit) => unit.phase !== 'ALIGNING') && <WhichAlignment units={units} />}
          <p className="small">
            Meanwhile: no towing, no engine start, no taking of power. Loading and fuelling are watched, not forbidden.
          </p>
        </div>
      </div>
      <Announcer text={units.alarm ? units.says : ''} />
    </article>
  );
}

/** Which alignment this flight needs, why, and until when it can begin. */
function WhichAlignment({ units }: { units: UnitsView }) {
  return (
    <section className={styles.advice} aria-label="Which alignment">
      <p>
        <b>{advised(units.advice)}</b>
        {units.takes && units.advice.kind !== 'NONE' && `, full ${inWords(isoDuration(units.takes))} here`}
      </p>
      <ul>
        {reasons(units.advice).map((reason) => (
          <li key={reason}>{reason}</li>
        ))}
        {units.advice.unknown.map((unknown) => (
          <li key={unknown}>{unknown}: not known yet</li>
        ))}
      </ul>
      {units.latest && (
        <p>
          Latest switch-on for off-block: <b>{utc(units.latest, true)}</b>
        </p>
      )}
      <p className="small">{units.source}. The approved manual has the last word.</p>
    </section>
  );
}
