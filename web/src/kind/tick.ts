import type { Hands, LineKind } from './LineKind';
import type { WorkLine } from '../live/departureContext';

/** How a line is ticked: with what was agreed on before an irreversible control is moved. */
export function ticking(line: WorkLine, hands: Hands) {
  const { control } = line.text.marks;
  return {
    ask: 'ANSWER' as const,
    line: line.text.ref,
    ...(control ? (hands.alone ? { named: control } : { agreed: true }) : {}),
  };
}

/** The button of a line that one key completes. */
export function done(line: WorkLine, hands: Hands, word = 'Done'): string {
  const { control } = line.text.marks;
  if (!control || hands.alone) return word;
  return hands.otherName ? `${word}, ${hands.otherName} agreed` : `${word}, agreed aloud`;
}

const tick = (word: string, key: ' ' | 'Enter' = ' '): LineKind => ({
  key,
  main: (line, hands) => done(line, hands, word),
  request: (line, _typing, hands) => ticking(line, hands),
  word: (line) => {
    const agreed = line.view.work?.agreed;
    if (!agreed) return null;
    return agreed.named ? `named: ${agreed.named}` : `agreed with ${agreed.with?.name ?? 'the other pilot'}`;
  },
});

export const action = tick('Done');
export const check = tick('Done');
export const read = tick('Done');
export const memory = tick('Done from memory');
export const gate = tick('Go');
export const caution = tick('Understood', 'Enter');
export const start = tick('Done');

export const note: LineKind = {
  ...tick('Seen'),
  main: (line) => (line.text.detail.own ? 'Understood' : 'Seen'),
};

/** Said by one; the one who hears it answers. */
export const callout: LineKind = {
  ...tick('Heard'),
  main: (line, hands) => (hands.alone ? 'Said' : hands.role === line.text.detail.role ? null : 'Heard'),
  others: (line, hands) =>
    !hands.alone && hands.role === line.text.detail.role
      ? `You say it. ${hands.otherName ?? 'The other pilot'} hears and answers.`
      : null,
};
