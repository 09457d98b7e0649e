/** The first rows of a list as they stand in the file, and what each column is taken for. */
import { USUAL_HOLE_MM } from '@low-quarry/core/catalogue';
import { type ColumnUnit, LENGTH_UNITS, MASS_UNITS } from '@low-quarry/core/cells';
import type { ListImported } from '@low-quarry/core/contracts/supplierLists';
import {
  isLengthColumn,
  LIST_COLUMN_LABELS,
  type ListColumn,
  OFFER_COLUMNS,
  SPEAKER_COLUMNS,
} from '@low-quarry/core/lists';
import { INPUT } from '../../ui/Field';
import { columnName } from './listWords';

type ListTableProps = {
  readonly answer: Pick<ListImported, 'columns' | 'units' | 'shown' | 'headRows' | 'isAsBefore' | 'readAs' | 'rows'>;
  readonly onColumns: (columns: readonly (ListColumn | null)[]) => void;
  readonly onUnits: (units: readonly (ColumnUnit | null)[]) => void;
};

const GROUPS = [
  ['Its offer', OFFER_COLUMNS],
  ['The speaker itself', SPEAKER_COLUMNS],
] as const;

export function ListTable({
  answer: { columns, units, shown, headRows, isAsBefore, readAs, rows },
  onColumns,
  onUnits,
}: ListTableProps) {
  /** One column is one thing: whatever had it before has it no more. */
  const set = (at: number, next: ListColumn | null) =>
    onColumns(columns.map((column, each) => (each === at ? next : column === next ? null : column)));
  return (
    <section aria-label="The list" className="flex flex-col gap-2">
      <h2>How it was understood</h2>
      <p className="text-muted">
        {rows.toLocaleString('en')} rows, read as {readAs},{' '}
        {headRows === 0 ? 'no headings' : headRows === 1 ? '1 row of headings' : `headings down to row ${headRows}`}.
      </p>
      {columns.includes('boltCircle') && (
        <p>
          Screw holes are taken as plain ones of {USUAL_HOLE_MM} mm, as is usual: a list says nothing of their width.
        </p>
      )}
      {isAsBefore && <p>Columns and units are as they were said of the last list of this supplier.</p>}
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
                      onChange={({ target }) => set(at, (target.value || null) as ListColumn | null)}
                    >
                      <option value="">Left aside</option>
                      {GROUPS.map(([label, of]) => (
                        <optgroup key={label} label={label}>
                          {of.map((each) => (
                            <option key={each} value={each}>
                              {LIST_COLUMN_LABELS[each]}
                            </option>
                          ))}
                        </optgroup>
                      ))}
                    </select>
                  </label>
                  <UnitOf
                    column={column}
                    name={columnName(at)}
                    unit={units[at] ?? null}
                    onChange={(next) => onUnits(units.map((unit, each) => (each === at ? next : unit)))}
                  />
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

type UnitOfProps = {
  readonly column: ListColumn | null;
  readonly name: string;
  readonly unit: ColumnUnit | null;
  readonly onChange: (unit: ColumnUnit) => void;
};

/** What the bare numbers of a column of lengths or masses are in; nothing for others. */
function UnitOf({ column, name, unit, onChange }: UnitOfProps) {
  if (unit === null) return null;
  const units: readonly ColumnUnit[] = isLengthColumn(column) ? LENGTH_UNITS : MASS_UNITS;
  return (
    <label className="flex items-center gap-2 pt-1 text-[13px] text-muted">
      Bare numbers in
      <select
        aria-label={`Bare numbers of column ${name} in`}
        className="min-h-10 border border-ink bg-paper px-2 text-ink"
        value={unit}
        onChange={({ target }) => onChange(target.value as ColumnUnit)}
      >
        {units.map((each) => (
          <option key={each}>{each}</option>
        ))}
      </select>
    </label>
  );
}
