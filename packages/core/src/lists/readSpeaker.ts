/** What a row of a list says of the speaker itself. */
import { type SpeakerRecord, USUAL_HOLE_MM } from '../catalogue';
import {
  type ColumnUnit,
  type Rating,
  type ReadFigure,
  readLengthCell,
  readMassCell,
  readOutlineCell,
  readPowerCell,
} from '../cells';
import type { Result } from '../result';
import type { DepthDatum, LengthColumn, ListColumn } from './columns';
import {
  kindIn,
  readHolesCell,
  readOhmCell,
  readSensitivityCell,
  readSizeCell,
  readTerminalsCell,
  sizeIn,
} from './speakerCells';

/** What a list may say of a speaker; null where it does not. */
export type SpeakerFields = Pick<
  SpeakerRecord,
  | 'basket'
  | 'flange'
  | 'flangeThicknessMm'
  | 'mountingDepthMm'
  | 'depthDatum'
  | 'frontHeightMm'
  | 'magnetDiameterMm'
  | 'massG'
  | 'bolts'
  | 'terminals'
  | 'impedanceOhm'
  | 'rmsW'
  | 'otherRating'
  | 'sensitivityDb'
  | 'sensitivityAt'
>;
export type SpeakerRow = {
  readonly speakerKind: SpeakerRecord['speakerKind'] | null;
  readonly nominalSize: SpeakerRecord['nominalSize'] | null;
  readonly fields: SpeakerFields;
};

/** The cells of one row, and where what is found in them is said. */
export type Cells = {
  /** null where the cell says nothing, or cannot be read; then that is a finding. */
  value<Value>(column: ListColumn, read: (text: string) => Result<Value, string>): Value | null;
  /** The same of what is one of several, where a word for nothing may be one of them. */
  chosen<Value>(column: ListColumn, read: (text: string) => Result<Value, string>): Value | null;
  note(column: ListColumn, message: string): void;
};
export type SpeakerGiven = {
  readonly units: Readonly<Partial<Record<ListColumn, ColumnUnit>>>;
  readonly depthDatum: DepthDatum;
  /** Under which condition sensitivities are taken, by the heading. */
  readonly sensitivityAt: SpeakerRecord['sensitivityAt'];
};

/** @returns null where the row says nothing that only a speaker has */
export function readSpeaker(cells: Cells, name: string, given: SpeakerGiven): SpeakerRow | null {
  const noted = <Read extends { readonly note: string | null }>(column: ListColumn, read: Read | null): Read | null => {
    if (read?.note) cells.note(column, read.note);
    return read;
  };
  const unitOf = (column: LengthColumn) => given.units[column] ?? 'mm';
  const length = (column: LengthColumn) =>
    noted<ReadFigure>(
      column,
      cells.value(column, (text) => readLengthCell(text, unitOf(column))),
    )?.value ?? null;
  const positive = (column: LengthColumn) => length(column) || null;
  const kind = cells.value('speakerKind', (text) => ({ ok: true, value: kindIn(text) }) as const);
  const nominalSize = cells.value('size', readSizeCell) ?? sizeIn(name);
  const outline = (column: LengthColumn) => {
    const read =
      noted(
        column,
        cells.value(column, (text) => readOutlineCell(text, unitOf(column))),
      )?.outline ?? null;
    if (read?.kind !== 'circle' || !nominalSize?.includes('×')) return read;
    cells.note(column, `One measure was read of an oval ${nominalSize}: both, such as 218 x 152, would do.`);
    return null;
  };
  const sensitivity = cells.value('sensitivity', readSensitivityCell);
  const fields: SpeakerFields = {
    basket: outline('cutout'),
    flange: outline('flange'),
    flangeThicknessMm: positive('flangeThickness'),
    mountingDepthMm: positive('depth'),
    depthDatum: given.depthDatum,
    frontHeightMm: length('frontHeight'),
    magnetDiameterMm: positive('magnet'),
    massG: cells.value('mass', (text) => readMassCell(text, given.units.mass ?? 'g')),
    bolts: boltsOf(outline('boltCircle'), cells.value('holes', readHolesCell)),
    terminals: cells.value('terminals', readTerminalsCell),
    impedanceOhm: cells.value('impedance', readOhmCell),
    ...ratingsOf(cells),
    sensitivityDb: sensitivity?.db ?? null,
    sensitivityAt: sensitivity && sensitivity.at !== 'notStated' ? sensitivity.at : given.sensitivityAt,
  };
  const { depthDatum: _, sensitivityAt: __, ...figures } = fields;
  if (Object.values(figures).every((value) => value === null)) return null;
  return { speakerKind: kind ?? kindIn(name), nominalSize, fields };
}

/** Holes on a circle, of which it is said how many; or at the corners of a rectangle. */
export function boltsOf(on: SpeakerRecord['basket'], count: number | null): SpeakerRecord['bolts'] {
  const holes = { holeDiameterMm: USUAL_HOLE_MM, slotMm: 0, slotRuns: 'tangential' } as const;
  if (on?.kind === 'oval')
    return { shape: { kind: 'rectangle', widthMm: on.lengthMm, heightMm: on.widthMm }, ...holes };
  if (!on || count === null) return null;
  return { shape: { kind: 'circle', count, diameterMm: on.diameterMm, firstAngleDeg: 360 / count / 2 }, ...holes };
}

/** RMS, and what else is said: of several the one that says most. */
function ratingsOf(cells: Cells): Pick<SpeakerRecord, 'rmsW' | 'otherRating'> {
  const said = [
    ...(cells.value('power', (text) => readPowerCell(text, 'RMS')) ?? []),
    ...(cells.value('otherPower', (text) => readPowerCell(text, 'unstated')) ?? []),
    ...(cells.value('peakPower', (text) => readPowerCell(text, 'peak')) ?? []),
  ];
  const rms = said.find(({ kind }) => kind === 'RMS');
  const isOther = (rating: Rating): rating is Rating & { kind: Exclude<Rating['kind'], 'RMS'> } =>
    rating.kind !== 'RMS';
  const other = said.find(isOther);
  return { rmsW: rms?.watt ?? null, otherRating: other ? { watt: other.watt, kind: other.kind } : null };
}
