import { advised } from '../electrics/batteryWords';
import { MeasureEntry } from '../ui/MeasureEntry';
import { bounds, dropAllowed } from './drop';
import { gaugeShows } from '../electrics/gauge';
import { useInstruments } from '../live/departureContext';
import { useMonotonic } from '../live/useMonotonic';
import { parsed, shown, typed } from '../ui/number';
import { shownUnit } from '../ui/units';
import type { WorkLine } from '../live/departureContext';
import type { Entry, LineKind } from './LineKind';
import styles from './kind.module.css';

/** Digits, a point, a sign, erasing, and Enter. */
export function pressDigits(key: string, { typing, setTyping, answer }: Entry): boolean {
  if (/^[0-9.,-]$/.test(key)) setTyping(typed(typing, key));
  else if (key === 'Backspace') setTyping(typing.slice(0, -1));
  else if (key === 'Enter') answer(typing);
  else return false;
  return true;
}

function Limits({ line }: { line: WorkLine }) {
  const { measure } = line.text.detail;
  const { limits } = line.view.work ?? {};
  if (!measure || line.view.reading || line.view.charge) return null;
  if (!limits) return <p className={styles.note}>Source of the limit: {measure.source}.</p>;
  return (
    <ul className={styles.limits} aria-label="Limits that apply today">
      {limits.map((limit) => (
        <li key={`${limit.source} ${limit.min} ${limit.max}`}>
          <b>
            {bounds(limit.min ?? null, limit.max ?? null, measure.decimals)} {shownUnit(measure.unit)}
          </b>
          {limit.cautionBelow !== undefined && `, caution below ${shown(limit.cautionBelow, measure.decimals)}`}
          {limit.cautionAbove !== undefined && `, caution above ${shown(limit.cautionAbove, measure.decimals)}`}
          {limit.from !== undefined && dropAllowed(limit, limit.from, measure.decimals)}
          <small>{limit.source}</small>
        </li>
      ))}
    </ul>
  );
}

function Reading({ line, typing, setTyping, answer }: Entry) {
  const { measure: of } = line.text.detail;
  const instruments = useInstruments();
  const now = useMonotonic();
  return (
    <>
      <Limits line={line} />
      <MeasureEntry
        label={line.text.label}
        unit={shownUnit(of?.unit ?? '')}
        reads={gaugeShows(of, instruments, now)}
        typing={typing}
        setTyping={setTyping}
        enter={() => answer(typing)}
      />
    </>
  );
}

export const measure: LineKind = {
  key: null,
  main: () => null,
  typed: () => true,
  request: (line, typing) => {
    const value = parsed(typing);
    const { measure: of } = line.text.detail;
    return value === null || !of ? null : { ask: 'MEASURE', line: line.text.ref, value, unit: of.unit };
  },
  Entry: Reading,
  press: pressDigits,
  word: (line) => {
    const { reading } = line.view;
    const { measure: of } = line.text.detail;
    if (!reading || !of) return null;
    const value = `${shown(reading.value, of.decimals)} ${shownUnit(reading.unit)}`;
    const { battery } = reading;
    const todo =
      !battery || ['USE', 'NOT_DECIDED'].includes(battery.kind) ? '' : `: ${advised(battery.kind).toLowerCase()}`;
    return `${value}${line.view.state === 'OUTSIDE' ? ', outside' : ''}${todo}`;
  },
};
