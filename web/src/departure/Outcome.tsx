import type { LineView, Schemas } from '../api/client';
import { shown } from '../ui/number';
import { utc } from '../ui/time';
import { shownUnit } from '../ui/units';
import { BatteryNote } from '../electrics/BatteryNote';
import { ChargeNote } from '../electrics/ChargeNote';
import { dropRead } from '../kind/drop';
import { kinds } from '../kind/kinds';
import type { WorkLine } from '../live/departureContext';
import styles from './Outcome.module.css';

/**
 * What became of a line: the reading with limit, margin and source; who did it and when; the deviation and its reason.
 */
export function Outcome({ line }: { line: WorkLine }) {
  const { view, text } = line;
  const { Outcome: Kind } = kinds[text.kind];
  return (
    <>
      {view.reading && !view.charge && text.detail.measure && (
        <Reading reading={view.reading} decimals={text.detail.measure.decimals} limits={view.work?.limits ?? []} />
      )}
      {view.charge && <ChargeNote charge={view.charge} />}
      {view.charge && view.reading && <p className={styles.by}>{by(view.reading.mark)}</p>}
      {view.reading?.battery && <BatteryNote battery={view.reading.battery} />}
      {Kind && <Kind line={line} />}
      {view.answered && (
        <p className={styles.by}>
          {text.kind === 'CHALLENGE' ? 'Response by ' : ''}
          {by(view.answered)}
          {agreed(view.work?.agreed)}
        </p>
      )}
      {view.earlier && <p className={styles.by}>Done before: {view.earlier.map(by).join('; ')}</p>}
      {view.confirmed && <p className={styles.by}>Confirmed by {by(view.confirmed)}</p>}
      {view.deviation && (
        <p className={styles.deviation}>
          <b>Deviation:</b> {view.deviation.reason}. {by(view.deviation.mark)}
          {view.deviation.overrides ? ', gate overridden by name' : ''}
        </p>
      )}
    </>
  );
}

function agreed(agreement: Schemas['Agreement'] | undefined): string {
  if (!agreement) return '';
  return agreement.named
    ? `, named aloud: ${agreement.named}`
    : `, agreed with ${agreement.with?.name ?? 'the other pilot'}`;
}

/** `limits`: those that apply, which tell what a limit of a drop counts from. */
function Reading({
  reading,
  decimals,
  limits,
}: {
  reading: NonNullable<LineView['reading']>;
  decimals: number;
  limits: Schemas['LimitView'][];
}) {
  const drop = (source: string) => {
    const limit = limits.find((one) => one.source === source);
    return limit?.from === undefined ? '' : `: ${dropRead(limit, limit.from, reading.value, decimals)}`;
  };
  const { verdict, limit, margin, source } = reading.judgement;
  const words = verdict === 'OUTSIDE' ? 'outside' : verdict === 'CAUTION' ? 'within, caution' : 'within';
  return (
    <p className={styles.reading} data-verdict={verdict}>
      <b className={styles.figure}>
        {shown(reading.value, decimals)} {shownUnit(reading.unit)}
      </b>{' '}
      {verdict === 'OUTSIDE' ? '! ' : ''}
      {words}
      {limit !== undefined && margin !== undefined && (
        <>
          , {shown(Math.abs(margin), decimals)} {shownUnit(reading.unit)} {margin < 0 ? 'beyond' : 'inside'} the{' '}
          {margin < 0 && verdict === 'CAUTION' ? 'caution' : 'limit'} of {shown(limit, decimals)}{' '}
          {shownUnit(reading.unit)}
          {drop(source)}
        </>
      )}
      <span className={styles.source}>
        Source: {source}. {by(reading.mark)}
      </span>
      {reading.others.map((other) => (
        <span key={`${other.source} ${other.limit}`} className={styles.source}>
          {other.verdict === 'OUTSIDE' ? '! outside' : 'within'}
          {other.limit !== undefined && other.margin !== undefined && (
            <>
              , {shown(Math.abs(other.margin), decimals)} {shownUnit(reading.unit)}{' '}
              {other.margin < 0 ? 'beyond' : 'inside'} {shown(other.limit, decimals)} {shownUnit(reading.unit)}
              {drop(other.source)}
            </>
          )}
          . Source: {other.source}.
        </span>
      ))}
    </p>
  );
}

function by(mark: Schemas['Mark']): string {
  const late = Date.parse(mark.enteredAt) > Date.parse(mark.doneAt);
  return `${mark.by.name}, ${utc(mark.doneAt, true)}${late ? `, entered late at ${utc(mark.enteredAt, true)}` : ''}`;
}
