import { Attach } from '../simulator/Attach';
import { useDeparture, usePowerReadings } from '../live/departureContext';
import { Says } from '../ui/Says';
import { PowerDrawing } from './PowerDrawing';
import { SimulatedPower } from './SimulatedPower';
import { read, stands, ties, without, type NetworkView } from './powerWords';
import styles from './PowerDesk.module.css';

/**
 * Sources and buses: a hand is on a source's switch, or signals to the ground. Who carries what stands first, then what
 * would be lost, source by source.
 */
export function PowerDesk() {
  const { page, state, mine } = useDeparture();
  const power = state.view.electrics;
  const closed = ['SIGNED', 'ABANDONED'].includes(state.view.lifecycle);
  const simulated = state.view.feed?.simulated === true && state.view.feed.lostAt === undefined;
  if (!power) return <p>Nothing is told of the electrics of the {page.typeName}.</p>;
  return (
    <article className={styles.desk} data-testid="power-desk">
      <Says label="Sources and buses" says={power.says} why={power.why} until={undefined} loud="quiet" />
      {power.differs.length > 0 && (
        <div role="alert" className={styles.differs}>
          <ul aria-label="Where the readings differ">
            {power.differs.map((one) => (
              <li key={one}>
                <span aria-hidden="true">! </span>
                {one}
              </li>
            ))}
          </ul>
        </div>
      )}
      <PowerDrawing power={power} />
      <Sources power={power} />
      {mine && !closed && !state.view.feed && state.sheet && <Attach />}
      {mine && !closed && simulated && <SimulatedPower power={power} />}
      <p className="small">
        {state.view.feed?.power ? 'As the readings show it' : 'As the lines, the APU and the engines tell it'}; the
        aircraft&rsquo;s own lights have the last word. {power.source}.
      </p>
    </article>
  );
}

/** Each source, what it carries, and what becomes of that without it. */
function Sources({ power }: { power: NetworkView }) {
  const readings = usePowerReadings().sources;
  const name = (bus: string) => power.buses.find((one) => one.id === bus)?.name ?? bus;
  return (
    <ul className={styles.sources}>
      {power.sources.map((source) => {
        const stand = stands(source);
        const gone = without(source);
        return (
          <li key={source.id} data-stand={source.stand}>
            <b>
              <span aria-hidden="true">{stand.shape}</span> {source.name}
            </b>{' '}
            {stand.words}
            {source.carries.length > 0 && `: ${source.carries.map(name).join(', ')}`}
            {source.stand !== 'AWAY' && read(source, readings[source.id]) && (
              <span className={styles.read}>{read(source, readings[source.id])}</span>
            )}
            {gone && (
              <>
                {gone.goes.length > 0 && <span className={styles.goes}>Without it: {gone.goes.join('; ')}.</span>}
                {gone.lost.map((lost) => (
                  <span key={lost} className={styles.lost}>
                    Lost without it: {lost}
                  </span>
                ))}
              </>
            )}
          </li>
        );
      })}
      {power.ties.map((tie) => (
        <li key={tie.id}>
          <b>
            <span aria-hidden="true">{ties(tie).shape}</span> {tie.name}
          </b>{' '}
          {ties(tie).words}
        </li>
      ))}
    </ul>
  );
}
