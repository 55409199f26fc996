import { Button } from '@mantine/core';
import type { WorkLine } from '../live/departureContext';
import { Key } from '../ui/Key';
import type { LineKind } from './LineKind';
import styles from './kind.module.css';

interface Position {
  axis: string;
  label: string;
  position: string;
}

/** The position that is called next. */
function next(line: WorkLine): Position | null {
  for (const axis of line.text.detail.axes) {
    const seen = line.view.work?.axes?.find((one) => one.axis === axis.id)?.seen ?? [];
    const position = axis.positions.find((one) => !seen.includes(one));
    if (position !== undefined) return { axis: axis.id, label: axis.label, position };
  }
  return null;
}

const seeing = (line: WorkLine, { axis, position }: Position, right: boolean) => ({
  ask: 'SEE_POSITION' as const,
  line: line.text.ref,
  axis,
  position,
  right,
});

/** One calls, one watches. Space marks the called position; N says that it is not right, and its axis begins anew. */
export const controlCheck: LineKind = {
  key: ' ',
  main: (line) => {
    const called = next(line);
    return called ? `${called.label} ${called.position}: right` : null;
  },
  request: (line) => {
    const called = next(line);
    return called ? seeing(line, called, true) : null;
  },
  Entry: ({ line, send }) => {
    const called = next(line);
    return (
      <div className={styles.axes}>
        {line.text.detail.axes.map((axis) => {
          const view = line.view.work?.axes?.find((one) => one.axis === axis.id);
          return (
            <div key={axis.id} role="group" aria-label={axis.label} className={styles.axis}>
              <b>{axis.label}</b>
              {axis.positions.map((position) => {
                const seen = view?.seen.includes(position) ?? false;
                return (
                  <Button
                    key={position}
                    disabled={seen}
                    aria-label={`${axis.label} ${position}${seen ? ', seen' : ''}`}
                    onClick={() => send(seeing(line, { axis: axis.id, label: axis.label, position }, true))}
                  >
                    {seen ? '✓ ' : ''}
                    {position}
                  </Button>
                );
              })}
              {view && view.repeats > 0 && (
                <small>repeated {view.repeats === 1 ? 'once' : `${view.repeats} times`}</small>
              )}
            </div>
          );
        })}
        {called && (
          <Button onClick={() => send(seeing(line, called, false))} rightSection={<Key name="N" />}>
            Not right: {called.label} again
          </Button>
        )}
      </div>
    );
  },
  press: (key, { line, send }) => {
    const called = next(line);
    if (key !== 'N' || !called) return false;
    send(seeing(line, called, false));
    return true;
  },
  word: (line) => {
    const repeats = line.view.work?.axes?.reduce((sum, axis) => sum + axis.repeats, 0) ?? 0;
    return line.view.work?.axes
      ? repeats > 0
        ? `every position seen, ${repeats} repeated`
        : 'every position seen'
      : null;
  },
};
