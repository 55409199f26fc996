import type { EngineLive, LiveState } from '../live/liveState';
import styles from './VerdictBar.module.css';
import { isBlind, loudness, type Loudness } from './startWords';
import { utc } from '../ui/time';

const MARK: Record<Loudness, string> = { act: '▲', blind: '∅', hand: '☞', know: '!', quiet: '', rest: '' };

interface VerdictBarProps {
  engine: number;
  /** How the crew calls it. */
  name: string;
  /** What is known of the engine; null when nothing was ever read. */
  live: EngineLive | null;
  /** Whether readings have stopped in mid-start. */
  silent: boolean;
  link: LiveState['link'];
}

/**
 * What to do now with one engine, readable from two metres, and why. An old word never stays when nothing comes any
 * more.
 */
export function VerdictBar({ engine, name, live, silent, link }: VerdictBarProps) {
  const verdict = live?.view.verdict;
  const blind = !verdict || !live || isBlind(live, silent);
  const unseen = live && silent && !blind ? [`Nothing is read since ${utc(live.view.at, true)}.`] : [];
  const loud = !verdict ? 'rest' : blind ? 'blind' : loudness(verdict.call);
  const [subject = name, all = ''] = verdict ? verdict.sentence.split(/: (.*)/s) : [];
  const [words = '', ...rest] = all.split('. ');
  const said = !verdict ? 'no feed' : blind ? 'no data' : words;
  const why = !verdict
    ? ["Nothing is watched. Use the aircraft's gauges."]
    : blind
      ? [
          "Use the aircraft's gauges." +
            (live?.view.running ? ' If you cannot see the temperature either: fuel OFF.' : '') +
            (link === 'lost' ? ' This page has lost its link.' : ''),
          ...(silent ? [] : verdict.reasons),
        ]
      : [
          ...rest,
          ...verdict.reasons.slice(0, 1),
          ...unseen,
          ...verdict.reasons.slice(1),
          ...(link === 'lost' ? ['This page has lost its link; your taps are sent when it is back.'] : []),
        ];
  const next = live?.view.ladder.find((rung) => rung.state === 'NOW');
  const note = blind || !verdict ? '' : verdict.note;
  return (
    <section
      className={styles.bar}
      data-loud={loud}
      role={loud === 'act' || loud === 'blind' ? 'alert' : 'status'}
      aria-label={`Verdict, engine ${engine}`}
      data-testid="verdict"
      data-call={blind ? 'BLIND' : verdict?.call}
    >
      <p className={styles.sentence}>
        {MARK[loud] && <span aria-hidden="true">{MARK[loud]} </span>}
        {subject}: {said}
      </p>
      <div className={styles.why}>
        {loud === 'quiet' && next && (
          <p>
            Next: {next.words}
            {next.detail ? `, ${next.detail}` : ''}.
          </p>
        )}
        {why.slice(0, 2).map((reason) => (
          <p key={reason}>{reason}</p>
        ))}
        {note && <p>{verdict?.call === 'ON_TRACK' || verdict?.call === 'ADVISE' ? `Not watched: ${note}.` : note}</p>}
      </div>
    </section>
  );
}
