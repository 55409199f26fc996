import { Button, TextInput } from '@mantine/core';
import { useState } from 'react';
import type { Schemas } from '../api/client';
import type { WorkLine } from '../live/departureContext';
import { Key } from '../ui/Key';
import { utc } from '../ui/time';
import type { Entry, LineKind } from './LineKind';
import { done, ticking } from './tick';
import styles from './kind.module.css';

type Finding = Schemas['FindingView'];

const SORTS: [Finding['what'], string][] = [
  ['DAMAGE', 'Damage'],
  ['LEAK', 'Leak'],
  ['MISSING', 'Missing'],
  ['LOOSE', 'Loose'],
  ['WORN', 'Worn'],
  ['OPEN', 'Open'],
  ['ICE', 'Ice or snow'],
  ['OTHER', 'Other'],
];
const SEVERITIES: [Finding['severity'], string][] = [
  ['MINOR', 'Worth a word'],
  ['DOUBTFUL', 'To be judged'],
  ['GROUNDING', 'Not like this'],
];
const VERDICTS = { GO: 'goes like this', MENDED: 'mended', MAINTENANCE: 'with maintenance' };

export function sortInWords(what: Finding['what']): string {
  return SORTS.find(([id]) => id === what)?.[1] ?? what;
}

/** What was found, once. */
function whatInWords({ what, words }: Finding): string {
  const sort = sortInWords(what);
  return words.startsWith(sort) ? words : `${sort}, ${words}`;
}

export function findingInWords(finding: Finding): string {
  const verdict = finding.verdict
    ? `${VERDICTS[finding.verdict]}${finding.reason ? ` (${finding.reason})` : ''}`
    : 'not decided';
  return `${whatInWords(finding)}: ${verdict}`;
}

/** A finding in three taps: what, how bad, keep it. Words are offered and can be changed. */
function Finding({ line, send, close }: Entry & { close: () => void }) {
  const [what, setWhat] = useState<Finding['what'] | null>(null);
  const [severity, setSeverity] = useState<Finding['severity']>('DOUBTFUL');
  const [words, setWords] = useState<string | null>(null);
  const offered = what ? `${sortInWords(what)} at ${line.text.label.toLowerCase()}` : '';
  return (
    <form
      className={styles.finding}
      aria-label="A finding"
      onSubmit={(event) => {
        event.preventDefault();
        if (!what) return;
        send({ ask: 'FIND', line: line.text.ref, what, severity, words: words ?? offered });
        close();
      }}
    >
      <div className={styles.sorts} role="group" aria-label="What was found">
        {SORTS.map(([id, label]) => (
          <Button
            key={id}
            variant={what === id ? 'filled' : 'default'}
            aria-pressed={what === id}
            onClick={() => setWhat(id)}
          >
            {label}
          </Button>
        ))}
      </div>
      <div className={styles.severities} role="group" aria-label="How much it matters">
        {SEVERITIES.map(([id, label]) => (
          <Button
            key={id}
            variant={severity === id ? 'filled' : 'default'}
            aria-pressed={severity === id}
            onClick={() => setSeverity(id)}
          >
            {label}
          </Button>
        ))}
      </div>
      <TextInput
        label="In words"
        maxLength={300}
        value={words ?? offered}
        onChange={(event) => setWords(event.currentTarget.value)}
      />
      <div className={styles.buttons}>
        <Button type="submit" variant="filled" disabled={!what || (words ?? offered).trim() === ''}>
          Keep the finding
        </Button>
        <Button onClick={close}>Not a finding</Button>
      </div>
    </form>
  );
}

/** The decision about a finding, back at the desk. */
function Settling({ line, finding, index, send }: Entry & { finding: Finding; index: number }) {
  const [reason, setReason] = useState('');
  const settle = (verdict: NonNullable<Finding['verdict']>) =>
    send({ ask: 'SETTLE', line: line.text.ref, finding: index, verdict, ...(reason.trim() ? { reason } : {}) });
  return (
    <div className={styles.settling}>
      <TextInput
        label={`Decision on: ${finding.words}`}
        placeholder="Why it goes like this"
        maxLength={300}
        value={reason}
        onChange={(event) => setReason(event.currentTarget.value)}
      />
      <div className={styles.buttons}>
        <Button disabled={reason.trim() === ''} onClick={() => settle('GO')}>
          Goes like this
        </Button>
        <Button onClick={() => settle('MENDED')}>Mended</Button>
        {finding.verdict !== 'MAINTENANCE' && <Button onClick={() => settle('MAINTENANCE')}>Maintenance</Button>}
      </div>
    </div>
  );
}

function Station(entry: Entry) {
  const { line, typing, setTyping } = entry;
  const findings = line.view.work?.findings ?? [];
  const finding = typing === 'finding';
  return (
    <>
      {findings.map(
        (one, index) =>
          (!one.verdict || one.verdict === 'MAINTENANCE') && (
            <Settling key={`${index} ${one.words}`} {...entry} finding={one} index={index} />
          ),
      )}
      {finding ? (
        <Finding {...entry} close={() => setTyping('')} />
      ) : (
        <Button className={styles.found} onClick={() => setTyping('finding')} rightSection={<Key name="F" />}>
          {findings.length > 0 ? 'Another finding' : 'A finding'}
        </Button>
      )}
    </>
  );
}

export function Findings({ line }: { line: WorkLine }) {
  const findings = line.view.work?.findings;
  if (!findings) return null;
  return (
    <ul className={styles.findings}>
      {findings.map((finding, index) => (
        <li
          key={`${index} ${finding.words}`}
          data-open={!finding.verdict || finding.verdict === 'MAINTENANCE' || undefined}
        >
          <b>{whatInWords(finding)}</b>. {SEVERITIES.find(([id]) => id === finding.severity)?.[1]}. Found by{' '}
          {finding.found.by.name}, {utc(finding.found.doneAt)}.{' '}
          {finding.verdict && (
            <>
              {VERDICTS[finding.verdict]}
              {finding.reason && `: ${finding.reason}`}, {finding.settled?.by.name}.
            </>
          )}
        </li>
      ))}
    </ul>
  );
}

/** A station of the walk-around: all well with one key, or a finding. */
export const walk: LineKind = {
  key: ' ',
  main: (line, hands) => (line.view.work?.findings ? null : done(line, hands, 'All well')),
  request: (line, typing, hands) => (line.view.work?.findings || typing === 'finding' ? null : ticking(line, hands)),
  busy: (typing) => typing === 'finding',
  Entry: Station,
  press: (key, { setTyping }) => {
    if (key === 'F') setTyping('finding');
    return key === 'F';
  },
  Outcome: Findings,
  word: (line) => {
    const { findings } = line.view.work ?? {};
    return findings ? findings.map(findingInWords).join('; ') : null;
  },
};
