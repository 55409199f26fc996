import type { ApuSheet } from './apuWords';
import styles from './ApuDesk.module.css';

const WIDTH = 460;
const ROW = 26;
const LABEL = 190;
const TOP_FT = 45_000;
const feet = (value: number) => `${Math.round(value).toLocaleString('en-US')} ft`;

/** Up to which altitude the APU may be asked for what, and where the stand lies. */
export function Ceilings({ sheet }: { sheet: ApuSheet }) {
  const x = (ft: number) => LABEL + (Math.max(0, Math.min(ft, TOP_FT)) / TOP_FT) * (WIDTH - LABEL - 70);
  const height = sheet.ceilings.length * ROW + 24;
  const words = sheet.ceilings
    .map((one) => `${one.label}: up to ${feet(one.ceiling_ft)}${one.allowed ? '' : ', not here'}`)
    .join('. ');
  return (
    <figure className={styles.ceilings}>
      <svg viewBox={`0 0 ${WIDTH} ${height}`} role="img" aria-label={`How high it may be asked for what. ${words}`}>
        {sheet.ceilings.map((one, index) => {
          const y = index * ROW;
          return (
            <g key={one.load} data-allowed={one.allowed || undefined}>
              <text x={LABEL - 8} y={y + 16} textAnchor="end" className={styles.load}>
                {one.label}
              </text>
              <rect x={LABEL} y={y + 5} width={x(one.ceiling_ft) - LABEL} height={14} className={styles.reach} />
              <text x={x(one.ceiling_ft) + 5} y={y + 16} className={styles.feet}>
                {feet(one.ceiling_ft)}
              </text>
            </g>
          );
        })}
        <line x1={x(sheet.stand_ft)} x2={x(sheet.stand_ft)} y1={0} y2={height - 18} className={styles.stand} />
        <text x={x(sheet.stand_ft) + 4} y={height - 5} className={styles.feet}>
          the stand, {feet(sheet.stand_ft)}
        </text>
      </svg>
    </figure>
  );
}
