import { Button } from '@mantine/core';
import type { ReactNode } from 'react';
import type { LineView } from '../api/client';
import { useServerNow } from '../live/useServerNow';
import { countdown, utc } from '../ui/time';
import styles from './GateCard.module.css';

type Gate = NonNullable<LineView['gate']>;
type Wait = Gate['waits'][number];

/**
 * Why a line's gate is closed and when it opens, what it guards, and what can be done meanwhile. `short`: it opens
 * within seconds, its clock stands large.
 */
export function GateCard({
  gate,
  short,
  meanwhile,
  taken = false,
  children,
}: {
  gate: Gate;
  short: boolean;
  meanwhile: { title: string; go: () => void } | null;
  /** Whether the one key answers something else on the card. */
  taken?: boolean;
  /** What opens it, where that can be done here. */
  children?: ReactNode;
}) {
  const now = useServerNow();
  return (
    <div className={styles.gate}>
      {gate.opensAt && (
        <p className={styles.time} data-short={short || undefined}>
          {short ? (
            <>
              <b>{countdown(Date.parse(gate.opensAt) - now)}</b> stay here, it opens by itself
            </>
          ) : (
            <>Opens in {countdown(Date.parse(gate.opensAt) - now)}</>
          )}
        </p>
      )}
      <ul className={styles.waits}>
        {gate.waits.map((wait) => (
          <li key={`${wait.kind} ${wait.name}`}>{sentence(wait)}</li>
        ))}
      </ul>
      {gate.guards && <p className="small">It guards {gate.guards}.</p>}
      {children}
      {meanwhile && (
        <Button
          variant={children || taken ? 'default' : 'filled'}
          className={styles.meanwhile}
          onClick={meanwhile.go}
          rightSection={taken ? undefined : <span>Space</span>}
        >
          Meanwhile: {meanwhile.title}
        </Button>
      )}
    </div>
  );
}

function sentence(wait: Wait): string {
  switch (wait.kind) {
    case 'CLOCK':
      return `${wait.name} runs until ${wait.opensAt ? utc(wait.opensAt, true) : 'later'}`;
    case 'CLOCK_START':
      return `${wait.name}: its clock has not been started`;
    case 'PROCEDURE':
      return `${wait.name} is not complete`;
    case 'STRANDS':
      return `Both strands come together here. Not complete: ${wait.name}`;
    case 'READING':
      return `${wait.name} is not within limits`;
    case 'UNREAD':
      return `${wait.name} is not read yet`;
    case 'IDLE':
      return `${wait.name} is not at idle on a good start`;
    case 'FACT':
      return `${wait.name}: not known yet`;
    case 'APU':
      return wait.opensAt ? `${wait.name}, until ${utc(wait.opensAt, true)}` : wait.name;
    case 'APU_AT_HAND':
      return `${wait.name}. This line opens once the readings show it.`;
    case 'UNITS':
      return wait.opensAt ? `${wait.name}, until ${utc(wait.opensAt, true)}` : wait.name;
    case 'UNITS_AT_HAND':
      return `${wait.name}. This line opens once that is done.`;
    case 'STANDSTILL':
      return `${wait.name} moves; this is for a standing aircraft`;
    case 'ORDER':
    case 'LINE':
      return `${wait.name} comes first`;
  }
}
