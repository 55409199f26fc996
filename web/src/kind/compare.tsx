import { Button } from '@mantine/core';
import { MeasureEntry } from '../ui/MeasureEntry';
import { parsed, shown, typed } from '../ui/number';
import { shownUnit } from '../ui/units';
import type { WorkLine } from '../live/departureContext';
import type { Entry, LineKind } from './LineKind';
import { slipInWords } from './slip';
import styles from './kind.module.css';

/** The readings are typed one after the other; the text holds them with a space between. */
function slots(typing: string): string[] {
  return typing.split(' ');
}

function next(line: WorkLine, typing: string): string | null {
  const given = slots(typing);
  return parsed(given.at(-1) ?? '') !== null && given.length < (line.text.detail.compare?.of.length ?? 0)
    ? `${typing} `
    : null;
}

function CompareEntry({ line, typing, setTyping, answer }: Entry) {
  const { compare, measure } = line.text.detail;
  const given = slots(typing);
  const unit = shownUnit(measure?.unit ?? '');
  if (!compare) return null;
  const here = compare.of[given.length - 1] ?? '';
  const last = given.length === compare.of.length;
  return (
    <>
      <ol className={styles.slots}>
        {compare.of.map((name, index) => (
          <li key={name} data-now={index === given.length - 1 || undefined}>
            <span>{name}</span>
            <b>{given[index] || '–'}</b>
          </li>
        ))}
      </ol>
      <MeasureEntry
        label={`${line.text.label}, ${here}`}
        unit={unit}
        hint={`${here}: type what it shows.`}
        action={last ? 'Compare' : 'Next'}
        typing={given.at(-1) ?? ''}
        setTyping={(text) => setTyping([...given.slice(0, -1), text].join(' '))}
        enter={() => {
          const more = next(line, typing);
          if (more === null) answer(typing);
          else setTyping(more);
        }}
      />
      {given.length > 1 && (
        <Button onClick={() => setTyping(given.slice(0, -1).join(' '))}>Back to {compare.of[given.length - 2]}</Button>
      )}
    </>
  );
}

function CompareOutcome({ line }: { line: WorkLine }) {
  const compared = line.view.work?.compared;
  const { compare, measure } = line.text.detail;
  if (!compared || !compare || !measure) return null;
  const { decimals } = measure;
  const unit = shownUnit(compared.unit);
  const slip = slipInWords(compared.slip);
  return (
    <table className={styles.compared} data-agree={compared.agree || undefined}>
      <caption>
        {compared.agree ? 'They agree' : '! They do not agree'}, {shown(compared.spread, decimals)} {unit} apart
        {compared.reference !== undefined &&
          `, ${compare.reference ?? 'reference'} ${shown(compared.reference, decimals)} ${unit}`}
        .{!compared.agree && compared.odd === undefined && ' Which of them is right cannot be told from here.'}
      </caption>
      <tbody>
        {compared.values.map((value, index) => (
          <tr key={compare.of[index]} data-odd={index === compared.odd || undefined}>
            <th scope="row">{compare.of[index]}</th>
            <td>
              {shown(value, decimals)} {unit}
            </td>
            <td>{index === compared.odd ? `! stands out${slip ? `: ${slip}` : ''}` : ''}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

export const compare: LineKind = {
  key: null,
  main: () => null,
  typed: () => true,
  request: (line, typing) => {
    const values = slots(typing).map(parsed);
    const { compare: of, measure } = line.text.detail;
    if (!of || !measure || values.length !== of.of.length || values.includes(null)) return null;
    return {
      ask: 'COMPARE',
      line: line.text.ref,
      values: values.filter((value) => value !== null),
      unit: measure.unit,
    };
  },
  Entry: CompareEntry,
  press: (key, { line, typing, setTyping, answer }) => {
    const given = slots(typing);
    const here = given.at(-1) ?? '';
    if (/^[0-9.,-]$/.test(key)) setTyping([...given.slice(0, -1), typed(here, key)].join(' '));
    else if (key === 'Backspace')
      setTyping(here === '' ? given.slice(0, -1).join(' ') : [...given.slice(0, -1), here.slice(0, -1)].join(' '));
    else if (key === 'Enter') {
      const more = next(line, typing);
      if (more === null) answer(typing);
      else setTyping(more);
    } else return false;
    return true;
  },
  Outcome: CompareOutcome,
  word: (line) => {
    const compared = line.view.work?.compared;
    if (!compared) return null;
    const values = compared.values.map((value) => shown(value, line.text.detail.measure?.decimals ?? 0)).join(' / ');
    return `${values} ${shownUnit(compared.unit)}${compared.agree ? '' : ', do not agree'}`;
  },
};
