/** Parts that were found, with the columns that somebody chose. */
import type { Ranged } from '@low-quarry/core/catalogue';
import { partKindWord } from '@low-quarry/core/catalogue';
import type { FoundPart } from '@low-quarry/core/contracts/findParts';
import { Link } from 'react-router';
import { useSettings } from '../../../ui/settings';
import { rangedLabel, rangedText } from './rangeText';

type FoundTableProps = {
  readonly found: readonly FoundPart[];
  readonly columns: readonly Ranged[];
  readonly currency: string;
  readonly by: Ranged | null;
  readonly order: 'up' | 'down';
  readonly onOrder: (by: Ranged | null, order: 'up' | 'down') => void;
};

const CELL = 'px-2 py-1.5';

export function FoundTable({ found, columns, currency, by, order, onOrder }: FoundTableProps) {
  const { unit } = useSettings();
  const sorted = (column: Ranged | null) => (by !== column ? 'none' : order === 'up' ? 'ascending' : 'descending');
  const turn = (column: Ranged) => onOrder(column, by === column && order === 'up' ? 'down' : 'up');
  return (
    <div className="overflow-x-auto">
      <table className="w-full text-left">
        <thead className="border-y border-ink align-bottom">
          <tr>
            <th className={CELL} aria-sort={sorted(null)}>
              <button type="button" className="min-h-8 text-action underline" onClick={() => onOrder(null, 'up')}>
                Part
              </button>
            </th>
            {columns.map((column) => (
              <th key={column} className={`${CELL} hidden text-right sm:table-cell`} aria-sort={sorted(column)}>
                <button type="button" className="min-h-8 text-right text-action underline" onClick={() => turn(column)}>
                  {rangedLabel(column, unit, currency)}
                  {by === column && (order === 'up' ? ' ↑' : ' ↓')}
                </button>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {found.map(({ id, kind, label, says, figures }) => (
            <tr key={id} className="border-b border-hairline align-top">
              <td className={CELL}>
                <Link to={`/parts/${id}`} className="text-action underline underline-offset-2">
                  {label}
                </Link>
                <span className="block text-[13px] leading-4 text-muted">
                  {[partKindWord(kind), says].filter(Boolean).join(': ')} · {id}
                </span>
                <span className="block text-[13px] leading-4 sm:hidden">
                  {columns
                    .map((column) => `${rangedLabel(column, unit, currency)} ${textOf(figures[column], column)}`)
                    .join(' · ')}
                </span>
              </td>
              {columns.map((column) => (
                <td key={column} className={`${CELL} hidden text-right sm:table-cell`}>
                  {textOf(figures[column], column)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );

  function textOf(value: number | undefined, column: Ranged): string {
    return value === undefined ? 'not known' : rangedText(column, value, unit);
  }
}
