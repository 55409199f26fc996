import type { StartSheet } from '../api/client';
import type { EngineLive } from '../live/liveState';
import { Lanes } from './Lanes';
import { LadderList } from './LadderList';
import { Script } from './Script';
import { loudness } from './startWords';
import styles from './Together.module.css';

const LOOKED_AT = ['SPOOL', 'TEMPERATURE', 'DUCT', 'VOLTS'];

/** Engines that are started at once, beside each other in the order of their numbers: each keeps its place. */
export function Together({
  sheet,
  lives,
  silents,
}: {
  sheet: StartSheet;
  lives: EngineLive[];
  silents: readonly number[];
}) {
  const few = { ...sheet, lanes: sheet.lanes.filter((lane) => LOOKED_AT.includes(lane.parameter)) };
  return (
    <div className={styles.together}>
      {[...lives]
        .sort((a, b) => a.view.engine - b.view.engine)
        .map((live) => {
          const silent = silents.includes(live.view.engine);
          const urgent = loudness(live.view.verdict.call) === 'act';
          return (
            <section key={live.view.engine} className={styles.one} aria-label={live.view.name}>
              <h3 className={styles.name}>{live.view.name}</h3>
              <Lanes sheet={few} live={live} silent={silent} among={sheet.lanes} narrow />
              <div className={styles.steps}>
                {live.view.script.length > 0 ? (
                  <Script steps={live.view.script} duty={live.view.dutyWords} urgent={urgent} />
                ) : (
                  <LadderList rungs={near(live.view.ladder)} silent={silent} />
                )}
              </div>
            </section>
          );
        })}
    </div>
  );
}

/** What comes next, what is late, and the rung before: the rest is where the engine has been. */
function near<T extends { state: string }>(rungs: T[]): T[] {
  const now = rungs.findIndex((rung) => rung.state !== 'DONE');
  const first = now < 0 ? rungs.length - 2 : now - 1;
  return rungs.filter((rung, i) => i >= first || rung.state === 'LATE');
}
