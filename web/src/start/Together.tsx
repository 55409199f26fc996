import type { StartSheet } from '../api/client';
import type { EngineLive } from '../live/liveState';
import { Lanes } from './Lanes';
import { LadderList } from './LadderList';
import { Script } from './Script';
import { loudness } from './startWords';
import styles from './Together.module.css';
import { useLastGood } from './useLastGood';

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
        .map((live) => (
          <One
            key={live.view.engine}
            few={few}
            among={sheet.lanes}
            live={live}
            silent={silents.includes(live.view.engine)}
          />
        ))}
    </div>
  );
}

interface OneProps {
  few: StartSheet;
  among: StartSheet['lanes'];
  live: EngineLive;
  silent: boolean;
}

function One({ few, among, live, silent }: OneProps) {
  const { view } = live;
  const over = useLastGood(view.engine);
  return (
    <section className={styles.one} aria-label={view.name}>
      <h3 className={styles.name}>{view.name}</h3>
      <Lanes sheet={few} live={live} silent={silent} among={among} narrow over={over} />
      <div className={styles.steps}>
        {view.script.length > 0 ? (
          <Script steps={view.script} duty={view.dutyWords} urgent={loudness(view.verdict.call) === 'act'} />
        ) : (
          <LadderList rungs={near(view.ladder)} silent={silent} />
        )}
      </div>
    </section>
  );
}

/** What comes next, what is late, and the rung before: the rest is where the engine has been. */
function near<T extends { state: string }>(rungs: T[]): T[] {
  const now = rungs.findIndex((rung) => rung.state !== 'DONE');
  const first = now < 0 ? rungs.length - 2 : now - 1;
  return rungs.filter((rung, i) => i >= first || rung.state === 'LATE');
}
