import { useDeparture } from '../live/departureContext';
import { utc } from '../ui/time';
import { doing, offStand } from './unitsWords';

/** What the record tells of the inertial units; nothing when nothing was told of them. */
export function AlignmentOfRecord() {
  const units = useDeparture().state.view.units;
  if (!units || units.units.every((unit) => unit.phase === 'OFF')) return null;
  return (
    <>
      <h2>Inertial units</h2>
      <ul>
        {units.units.map((unit) => (
          <li key={unit.number}>
            Unit {unit.number}: {doing(unit)} since {utc(unit.since, true)}
            {unit.position && `, ${unit.position}`}
            {unit.off_NM !== undefined && `, ${offStand(unit.off_NM, units.near_NM)} (${units.source})`}
            {unit.restarts > 0 && `; its count began anew ${unit.restarts === 1 ? 'once' : `${unit.restarts} times`}`}
            {unit.code && `; code ${unit.code.code}: ${unit.code.meaning}`}.
          </li>
        ))}
      </ul>
    </>
  );
}
