import { Button } from '@mantine/core';
import { useDeparture, type WorkLine } from '../live/departureContext';
import { Says } from '../ui/Says';
import { PositionEntry } from './PositionEntry';
import { UnitLines } from './UnitRows';
import type { UnitsOfLine } from './useUnitsOfLine';
import styles from './AlignmentDesk.module.css';

/** Whether a line has to do with the inertial units. */
export function isOfUnits(line: WorkLine): boolean {
  return (
    line.text.marks.inertial !== undefined ||
    (line.view.gate?.waits.some((wait) => wait.kind === 'UNITS' || wait.kind === 'UNITS_AT_HAND') ?? false)
  );
}

/** How the units stand, on the card of a line that has to do with them, and what is told of them by its one key. */
export function AlignmentStrip({ line, next }: { line: WorkLine; next: UnitsOfLine | null }) {
  const { state } = useDeparture();
  const units = state.view.units;
  if (!units) return null;
  const typed = line.text.marks.inertial === 'POSITION' && next !== null && !next.simulated;
  return (
    <div className={styles.strip}>
      <Says
        label="Inertial units"
        says={units.says}
        why={units.why}
        until={units.until}
        loud={units.alarm ? 'act' : 'quiet'}
      />
      {units.units.some((unit) => unit.phase !== 'OFF') && <UnitLines units={units} />}
      {next && (
        <Button
          variant="filled"
          classNames={{ root: styles.next, label: styles.words }}
          onClick={next.answer}
          rightSection={<span className={styles.key}>Space</span>}
        >
          {next.words}
        </Button>
      )}
      {typed && <PositionEntry units={units} of={[]} />}
    </div>
  );
}
