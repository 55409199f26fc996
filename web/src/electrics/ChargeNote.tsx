import type { Schemas } from '../api/client';
import { shapeOf, HEIGHT, WIDTH } from './chargeShape';
import styles from './ChargeNote.module.css';

const VERDICT: Record<Schemas['ChargeCurve']['verdict'], string> = {
  AGAIN: '… not proved yet',
  GOOD: '✓ charged and falling',
  RISES: '! it rises',
  LATE: '! late',
};

/** A battery's charge current since it was switched on again: what was read, and where it must have come under. */
export function ChargeNote({ charge }: { charge: Schemas['ChargeCurve'] }) {
  const shape = shapeOf(charge);
  const read = charge.points
    .map((point) => `${Math.round(point.current_A)} A at ${Math.round(point.at_s)} s`)
    .join(', ');
  return (
    <section className={styles.note} data-verdict={charge.verdict} aria-label="Charge current">
      <p>
        <b>{VERDICT[charge.verdict]}.</b> {charge.words}
      </p>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="img" aria-label={`Charge current: ${read}`}>
        <rect {...shape.good} className={styles.good} />
        <line x1={shape.left} x2={shape.right} y1={shape.limit} y2={shape.limit} className={styles.limit} />
        <text x={shape.right} y={shape.limit - 4} textAnchor="end" className={styles.words}>
          under {charge.rule.under_A} A
        </text>
        <line x1={shape.end} x2={shape.end} y1={shape.top} y2={shape.bottom} className={styles.limit} />
        <text x={shape.end} y={HEIGHT - 3} textAnchor="middle" className={styles.words}>
          {shape.within} s
        </text>
        <polyline points={shape.points.map(({ x, y }) => `${x},${y}`).join(' ')} className={styles.curve} />
        {shape.ahead && <line {...shape.ahead} className={styles.ahead} />}
        {shape.points.map(({ x, y, words }) => (
          <g key={`${x} ${y}`}>
            <circle cx={x} cy={y} r={4} className={styles.point} />
            <text x={x} y={y - 8} textAnchor="middle" className={styles.words}>
              {words}
            </text>
          </g>
        ))}
      </svg>
      <p className="small">Source: {charge.rule.source}. The approved manual has the last word.</p>
    </section>
  );
}
