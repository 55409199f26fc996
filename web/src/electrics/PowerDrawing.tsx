import { drawn, nameLines, BUS_HEIGHT, MANY, NAME_LINE, WIDTH } from './drawing';
import { stands, type NetworkView } from './powerWords';
import styles from './PowerDesk.module.css';

/** Sources on top, buses below, and the way that power takes. */
export function PowerDrawing({ power }: { power: NetworkView }) {
  const { sources, buses, leads, height } = drawn(power);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      className={sources.length >= MANY ? styles.many : undefined}
      role="img"
      aria-label={`Sources and buses. ${power.says}.`}
    >
      {leads.map((lead) => (
        <g key={lead.key} data-live={lead.live || undefined} data-open={lead.tie?.open || undefined}>
          <line x1={lead.x} x2={lead.x} y1={lead.from} y2={lead.to} className={styles.lead} />
          {lead.tie ? (
            <>
              <title>{`${lead.tie.name}${lead.tie.open ? ', open' : ''}`}</title>
              <rect x={lead.x - 5} y={lead.to - 15} width={10} height={10} className={styles.tie} />
            </>
          ) : (
            <circle cx={lead.x} cy={lead.to} r={lead.live ? 6 : 3.5} className={styles.dot} />
          )}
        </g>
      ))}
      {sources.map((box, index) => {
        const source = power.sources[index];
        if (!source) return null;
        const stand = stands(source);
        return (
          <g key={box.id} data-stand={source.stand}>
            <rect x={box.x} y={box.y} width={box.width} height={box.height} rx={3} className={styles.source} />
            {nameLines(power, source.name).map((line, nth) => (
              <text
                key={line}
                x={box.x + box.width / 2}
                y={box.y + 19 + nth * NAME_LINE}
                textAnchor="middle"
                className={styles.name}
              >
                {line}
              </text>
            ))}
            <text x={box.x + box.width / 2} y={box.y + box.height - 9} textAnchor="middle" className={styles.stand}>
              {stand.shape} {stand.word}
            </text>
          </g>
        );
      })}
      {buses.map((box, index) => {
        const bus = power.buses[index];
        if (!bus) return null;
        const by = power.sources
          .filter((source) => source.id === bus.fedBy || bus.beside.includes(source.id))
          .map((source) => source.name)
          .join(' and ');
        return (
          <g key={box.id} data-power={bus.powered === true ? 'yes' : bus.powered === false ? 'no' : 'unknown'}>
            <rect x={box.x} y={box.y} width={box.width} height={BUS_HEIGHT} className={styles.bus} />
            <text x={box.x + 10} y={box.y + 18} className={styles.name}>
              {bus.name}
            </text>
            <text x={box.x + box.width - 10} y={box.y + 18} textAnchor="end" className={styles.stand}>
              {by ? `on ${by}` : bus.powered === undefined ? 'not known' : bus.powered ? 'powered' : 'no power'}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
