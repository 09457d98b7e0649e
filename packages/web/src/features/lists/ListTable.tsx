/** The first rows of a list as they stand in the file, and what each column is taken for. */
import type { OffersImported } from '@low-quarry/core/contracts/offerLists';
import { OFFER_COLUMN_LABELS, OFFER_COLUMNS, type OfferColumn } from '@low-quarry/core/lists';
import { INPUT } from '../../ui/Field';
import { columnName } from './listWords';

type ListTableProps = {
  readonly answer: Pick<OffersImported, 'columns' | 'shown' | 'headRows' | 'encoding' | 'partedBy' | 'rows'>;
  readonly onColumns: (columns: readonly (OfferColumn | null)[]) => void;
};

export function ListTable({
  answer: { columns, shown, headRows, encoding, partedBy, rows },
  onColumns,
}: ListTableProps) {
  /** One column is one thing: whatever had it before has it no more. */
  const set = (at: number, next: OfferColumn | null) =>
    onColumns(columns.map((column, each) => (each === at ? next : column === next ? null : column)));
  return (
    <section aria-label="The list" className="flex flex-col gap-2">
      <h2>How it was understood</h2>
      <p className="text-muted">
        {rows.toLocaleString('en')} rows, read as {encoding}, cells parted by{' '}
        {partedBy === 'tab' ? 'a tab' : `“${partedBy}”`},{' '}
        {headRows === 0 ? 'no headings' : headRows === 1 ? '1 row of headings' : `headings down to row ${headRows}`}.
      </p>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls has to be reached by keys. */}
      <section className="overflow-x-auto" tabIndex={0} aria-label="Columns and first rows">
        <table className="text-left">
          <thead className="align-bottom">
            <tr>
              <th className="pr-2 text-[13px] font-normal text-muted">Row</th>
              {columns.map((column, at) => (
                <th key={columnName(at)} className="min-w-44 pr-2 pb-1 font-normal">
                  <label className="flex flex-col text-[13px] text-muted">
                    Column {columnName(at)}
                    <select
                      className={INPUT}
                      value={column ?? ''}
                      onChange={({ target }) => set(at, (target.value || null) as OfferColumn | null)}
                    >
                      <option value="">Left aside</option>
                      {OFFER_COLUMNS.map((each) => (
                        <option key={each} value={each}>
                          {OFFER_COLUMN_LABELS[each]}
                        </option>
                      ))}
                    </select>
                  </label>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {shown.map((cells, row) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: rows of a file have nothing but their place.
              <tr key={row} className={`border-t border-hairline ${row < headRows ? 'font-semibold text-muted' : ''}`}>
                <td className="pr-2 text-[13px] text-muted">{row + 1}</td>
                {columns.map((_, at) => (
                  <td key={columnName(at)} className="max-w-72 truncate pr-2 py-1">
                    {cells[at]}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </section>
    </section>
  );
}
