import { MeasureEntry } from '../ui/MeasureEntry';
import { parsed, shown } from '../ui/number';
import { shownUnit } from '../ui/units';
import type { WorkLine } from '../live/departureContext';
import type { Hands, LineKind } from './LineKind';
import { pressDigits } from './measure';
import { slipInWords } from './slip';
import { ticking } from './tick';
import styles from './kind.module.css';

function waitsForOther(line: WorkLine): boolean {
  return line.view.state === 'RESPONDED';
}

function isMine(line: WorkLine, hands: Hands): boolean {
  return hands.alone || hands.role === line.text.detail.role || hands.role === null;
}

/** One reads, the responder answers, the reader confirms; the reader never answers himself. */
export const challenge: LineKind = {
  key: ' ',
  main: (line, hands) => {
    if (waitsForOther(line)) return line.view.answered?.by.id === hands.personId ? null : 'Confirm';
    if (line.text.detail.measure || !isMine(line, hands)) return null;
    return hands.alone
      ? 'Answered aloud'
      : line.text.detail.role === 'FLYING'
        ? 'Flying answers'
        : 'Monitoring answers';
  },
  others: (line, hands) => {
    if (waitsForOther(line) && line.view.answered?.by.id === hands.personId)
      return `Your response is given. ${
        hands.otherName ? `${hands.otherName} confirms.` : 'The other pilot confirms; the seat is free.'
      }`;
    if (!waitsForOther(line) && !isMine(line, hands))
      return `You read it. ${
        hands.otherName ? `${hands.otherName} answers` : 'The other pilot answers; the seat is free'
      }, as the pilot ${line.text.detail.role === 'FLYING' ? 'flying' : 'monitoring'}.`;
    return null;
  },
  typed: (line) => line.text.detail.measure !== undefined && !waitsForOther(line),
  request: (line, typing, hands) => {
    if (waitsForOther(line))
      return line.view.answered?.by.id === hands.personId ? null : { ask: 'CONFIRM', line: line.text.ref };
    if (!isMine(line, hands)) return null;
    const { measure } = line.text.detail;
    if (!measure) return ticking(line, hands);
    const value = parsed(typing);
    return value === null ? null : { ask: 'SAY', line: line.text.ref, value, unit: measure.unit };
  },
  Entry: ({ line, hands, typing, setTyping, answer }) =>
    line.text.detail.measure && !waitsForOther(line) && isMine(line, hands) ? (
      <MeasureEntry
        label={line.text.label}
        unit={shownUnit(line.text.detail.measure.unit)}
        hint="Say it, and type what it shows."
        typing={typing}
        setTyping={setTyping}
        enter={() => answer(typing)}
      />
    ) : null,
  press: (key, entry) =>
    entry.line.text.detail.measure !== undefined && !waitsForOther(entry.line) ? pressDigits(key, entry) : false,
  Outcome: ({ line }) => {
    const said = line.view.work?.said;
    const decimals = line.text.detail.measure?.decimals ?? 0;
    if (!said) return null;
    const unit = shownUnit(said.unit);
    const slip = slipInWords(said.slip);
    return (
      <p className={styles.said} data-matches={said.matches || undefined}>
        <b>
          {shown(said.value, decimals)} {unit}
        </b>
        {said.expected === undefined
          ? '. The record has no number to match.'
          : said.matches
            ? ', as the record has it.'
            : ' ! The record has '}
        {!said.matches && said.expected !== undefined && (
          <>
            <b>
              {shown(said.expected, decimals)} {unit}
            </b>
            {slip ? `: ${slip}` : '.'}
          </>
        )}
      </p>
    );
  },
  word: (line) => {
    const said = line.view.work?.said;
    if (!said) return null;
    const value = `${shown(said.value, line.text.detail.measure?.decimals ?? 0)} ${shownUnit(said.unit)}`;
    return said.matches ? value : `${value}, not as the record has it`;
  },
};
