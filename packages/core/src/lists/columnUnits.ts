/** What the bare numbers of a column of lengths or masses are in: by its heading, or by how large they are. */

import type { PartKind } from '../catalogue';
import { type ColumnUnit, isNothing, tidyCell } from '../cells';
import { median } from '../math';
import { type ListColumn, measureOf, type Table } from './columns';

/** The middle one of a column is mm from here on, cm from there on, and inches below; common practice, no source. */
const BY_SIZE: Readonly<Partial<Record<ListColumn, readonly [number, number]>>> = {
  cutout: [30, 9.5],
  flange: [35, 11],
  depth: [12, 3.6],
  magnet: [18, 4.2],
  boltCircle: [35, 11],
  'figure.throat': [30, 9.5],
  'figure.plate': [35, 11],
  'figure.inner': [30, 9.5],
  'figure.outer': [35, 11],
};
/** From here on the middle one of a column of masses is g, below kg. */
const GRAMS_FROM = 20;
const LOOKED_AT = 500;

/**
 * @param of what kind of parts its figures are of
 * @param said what somebody, or the heading, says of each column; null where nothing does
 * @returns of columns that are neither lengths nor masses null
 */
export function columnUnits(
  table: Table,
  of: PartKind,
  headRows: number,
  columns: readonly (ListColumn | null)[],
  said: readonly (ColumnUnit | null)[],
): readonly (ColumnUnit | null)[] {
  return columns.map((column, at) => {
    const measure = measureOf(of, column);
    if (column === null || measure === null) return null;
    const isSaid = said[at] && isMass(said[at]) === (measure === 'mass');
    if (isSaid) return said[at] ?? null;
    const middle = median(bareNumbers(table, headRows, at));
    if (measure === 'mass') return middle < GRAMS_FROM ? 'kg' : 'g';
    const [mm, cm] = BY_SIZE[column] ?? [0, 0];
    // Of nothing the comparison is false: mm.
    return middle < cm ? 'in' : middle < mm ? 'cm' : 'mm';
  });
}

function isMass(unit: ColumnUnit): boolean {
  return unit !== 'mm' && unit !== 'cm' && unit !== 'in';
}

function bareNumbers(table: Table, headRows: number, column: number): readonly number[] {
  return table
    .slice(headRows, headRows + LOOKED_AT)
    .map((row) => tidyCell(row[column] ?? ''))
    .filter((cell) => !isNothing(cell) && /^\d+(?:[.,]\d+)?$/.test(cell))
    .map((cell) => Number(cell.replace(',', '.')));
}
