import type { Schemas } from '../api/client';
import { shown } from '../ui/number';
import styles from './BesidePage.module.css';
import { figure, signed } from './besideWords';

/** What both came to, in the order of a start, with their differences. */
export function Figures({ beside }: { beside: Schemas['Beside'] }) {
  const { figures, other } = beside;
  return (
    <div className={styles.figures}>
      <table>
        <caption className="unseen">Figures of both with their differences</caption>
        <thead>
          <tr>
            <th scope="col">Figure</th>
            <th scope="col">This</th>
            <th scope="col">{other ? 'Other' : 'Last ten'}</th>
            <th scope="col">{other ? 'By' : 'Outside'}</th>
          </tr>
        </thead>
        <tbody>
          {figures.map((row) => (
            <tr key={row.what} data-outside={(row.usual && row.by) || undefined}>
              <th scope="row">
                {row.what}, {row.unit}
              </th>
              <td>{figure(row.one, row.decimals)}</td>
              <td>{theirs(row)}</td>
              <td>{by(row)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {!other && (
        <p className="small">
          Lowest to highest. At any one figure two good starts in eleven lie outside the ten before them: what counts is
          what lies far outside, or again and again.
        </p>
      )}
    </div>
  );
}

function theirs(row: Schemas['Difference']): string {
  if (!row.usual) return figure(row.other, row.decimals);
  const { lowest, highest } = row.usual;
  return `${shown(lowest, row.decimals)} to ${shown(highest, row.decimals)}`;
}

function by(row: Schemas['Difference']): string {
  if (row.by === undefined) return '';
  return row.usual && row.by === 0 ? 'inside' : signed(row.by, row.decimals);
}
