/**
 * How a dimension came to be known, and the half-width that goes with it.
 *
 * The half-widths are from memory, to be set by the shop: what a practised hand reads with that instrument at a door,
 * or how far a figure of that kind has been found off.
 */
import { z } from 'zod';
import type { Origin } from '../uncertainty';

type SourceFacts = { readonly label: string; readonly origin: Exclude<Origin, 'whatIf'> };

export const SOURCES = {
  calliper: { label: 'Calliper', origin: 'takenHere' },
  depthStick: { label: 'Depth stick', origin: 'takenHere' },
  tapeMm: { label: 'Tape, mm', origin: 'takenHere' },
  tapeInch: { label: 'Tape, inches', origin: 'takenHere' },
  carriedOver: { label: 'Carried over', origin: 'carriedOver' },
  catalogue: { label: 'Catalogue', origin: 'catalogue' },
  classDefault: { label: 'Class default', origin: 'classDefault' },
  guess: { label: 'Guess', origin: 'guess' },
} as const satisfies Record<string, SourceFacts>;

export type SourceId = keyof typeof SOURCES;
export const SOURCE_IDS = Object.keys(SOURCES) as [SourceId, ...SourceId[]];
export const sourceSchema = z.enum(SOURCE_IDS);

export const SOURCE_HALF_WIDTHS_MM: Readonly<Record<SourceId, number>> = {
  calliper: 0.2,
  depthStick: 1,
  tapeMm: 1.5,
  tapeInch: 1.6,
  carriedOver: 3,
  catalogue: 0.5,
  classDefault: 8,
  guess: 12,
};

export const ORIGIN_LABELS: Readonly<Record<Origin, string>> = {
  takenHere: 'taken here',
  carriedOver: 'carried over',
  catalogue: 'catalogue',
  classDefault: 'class default',
  guess: 'guess',
  whatIf: 'what if',
};
