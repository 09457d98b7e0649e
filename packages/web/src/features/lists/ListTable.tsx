/** The first rows of a list as they stand in the file, and what each column is taken for. */
import { PART_KINDS, type PartKind, USUAL_HOLE_MM } from '@low-quarry/core/catalogue';
import { type ColumnUnit, LENGTH_UNITS, MASS_UNITS } from '@low-quarry/core/cells';
import type { ListImported } from '@low-quarry/core/contracts/supplierLists';
import { capital } from '@low-quarry/core/firstLetter';
import {
  columnLabel,
  figureColumnsOf,
  kindPlural,
  type ListColumn,
  measureOf,
  OFFER_COLUMNS,
  SPEAKER_COLUMNS,
} from '@low-quarry/core/lists';
import { Field, INPUT } from '../../ui/Field';
import { columnName } from './listWords';

type ListTableProps = {
  readonly answer: Pick<
    ListImported,
    'of' | 'columns' | 'units' | 'shown' | 'headRows' | 'isAsBefore' | 'readAs' | 'rows'
  >;
  readonly onOf: (of: PartKind) => void;
  readonly onColumns: (columns: readonly (ListColumn | null)[]) => void;
  readonly onUnits: (units: readonly (ColumnUnit | null)[]) => void;
};

/** Kinds that have figures of their own; a set is made of parts. */
const KINDS = PART_KINDS.map((kind) => [kind, capital(kindPlural(kind))] as const).sort(([, a], [, b]) =>
  a.localeCompare(b, 'en'),
);

function groupsOf(kind: PartKind): readonly (readonly [string, readonly ListColumn[]])[] {
  return [
    ['The part, and its offer', OFFER_COLUMNS],
    ['What it is', kind === 'speaker' ? SPEAKER_COLUMNS : figureColumnsOf(kind)],
  ];
}

export function ListTable({
  answer: { of, columns, units, shown, headRows, isAsBefore, readAs, rows },
  onOf,
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
      <div className="max-w-72">
        <Field label="What the list is of">
          {(ids) => (
            <select {...ids} className={INPUT} value={of} onChange={({ target }) => onOf(target.value as PartKind)}>
              {KINDS.map(([kind, words]) => (
                <option key={kind} value={kind}>
                  {words}
                </option>
              ))}
            </select>
          )}
        </Field>
      </div>
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
                      {groupsOf(of).map(([label, those]) => (
                        <optgroup key={label} label={label}>
                          {those.map((each) => (
                            <option key={each} value={each}>
                              {columnLabel(of, each)}
                            </option>
                          ))}
                        </optgroup>
                      ))}
                    </select>
                  </label>
                  <UnitOf
                    measure={measureOf(of, column)}
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
  readonly measure: ReturnType<typeof measureOf>;
  readonly name: string;
  readonly unit: ColumnUnit | null;
  readonly onChange: (unit: ColumnUnit) => void;
};

/** What the bare numbers of a column of lengths or masses are in; nothing for others. */
function UnitOf({ measure, name, unit, onChange }: UnitOfProps) {
  if (unit === null) return null;
  const units: readonly ColumnUnit[] = measure === 'length' ? LENGTH_UNITS : MASS_UNITS;
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
