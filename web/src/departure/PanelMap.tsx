import type { PanelMap as Map } from '../api/client';
import type { WorkLine } from '../live/departureContext';
import styles from './PanelMap.module.css';
import { scan } from './work';

/** Where the hand goes: the zones of the type's own drawing, the path of the scan, and the present zone lit. */
export function PanelMap({ map, lines, place }: { map: Map; lines: WorkLine[]; place: number }) {
  const { zones, now } = scan(lines, place);
  const lit = zones[now];
  const points = zones.map((id) => map.zones.find((zone) => zone.id === id)).filter((zone) => zone !== undefined);
  const path = (from: number, to: number) =>
    points
      .slice(from, to)
      .map((zone, i) => `${i === 0 ? 'M' : 'L'}${zone.x} ${zone.y}`)
      .join(' ');
  const here = now < 0 ? points.length : now;
  return (
    <figure className={styles.figure}>
      <figcaption className="small">{map.title}</figcaption>
      <svg viewBox={`0 0 ${map.width} ${map.height}`} className={styles.map} aria-hidden="true">
        {map.zones.map((zone) => (
          <path key={zone.id} d={zone.outline} className={styles.zone} data-now={zone.id === lit || undefined} />
        ))}
        <path d={path(0, here + 1)} className={styles.behind} />
        <path d={path(here, points.length)} className={styles.ahead} />
        {points.map((zone, index) => (
          // A scan can pass through a zone more than once: its place in the scan is what tells the points apart.
          <circle
            key={`${index} ${zone.id}`}
            cx={zone.x}
            cy={zone.y}
            r={index === now ? 8 : 3.5}
            className={index < here ? styles.passed : index === now ? styles.here : styles.coming}
          />
        ))}
        {map.zones.map(
          (zone) =>
            zone.tag && (
              <text
                key={zone.id}
                x={zone.x}
                y={points.includes(zone) ? zone.y - 14 : zone.y + 6}
                className={styles.tag}
              >
                {zone.tag}
              </text>
            ),
        )}
      </svg>
      <ol className="unseen" aria-label="The scan in words">
        {points.map((zone, index) => (
          <li key={`${index} ${zone.id}`} aria-current={index === now ? 'step' : undefined}>
            {zone.label}
          </li>
        ))}
      </ol>
    </figure>
  );
}
