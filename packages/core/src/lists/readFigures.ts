/** What a row of a list says of a part that is no speaker. */
import type { PartKind } from '../catalogue';
import type { ColumnUnit } from '../cells';
import type { ListColumn } from './columns';
import { isFigureColumn, specOf } from './figureColumns';
import type { Cells } from './readSpeaker';

export type FigureRow = {
  readonly kind: PartKind;
  /** As they are kept, by the keys of the record; without those that the row says nothing of. */
  readonly fields: Readonly<Record<string, unknown>>;
};

/** @returns null where the row says nothing of it */
export function readFigures(
  cells: Cells,
  kind: PartKind,
  columns: readonly (ListColumn | null)[],
  units: readonly (ColumnUnit | null)[],
): FigureRow | null {
  const said = columns.flatMap((column, at) => {
    const spec = isFigureColumn(column) ? specOf(kind, column) : undefined;
    if (!spec || column === null) return [];
    const read = (text: string) => spec.read(text, units[at] ?? undefined);
    // The head of a rivet nut is “none”: of what is chosen that says something.
    const value = spec.options ? cells.chosen(column, read) : cells.value(column, read);
    return value === null ? [] : [[spec.key, value] as const];
  });
  return said.length === 0 ? null : { kind, fields: Object.fromEntries(said) };
}
