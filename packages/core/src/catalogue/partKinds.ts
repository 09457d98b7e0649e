/** What follows from the table of kinds: any part, its kind's entry, and what the fit works on. */
import { z } from 'zod';
import type { FitCatalogue } from '../fit';
import { type PartKind, partKindWord } from './kindNames';
import type { NamedConnector, PartEntry } from './PartEntry';
import { PART_TABLE } from './partTable';

type PartSchema = (typeof PART_TABLE)[PartKind]['schema'];
export const partSchema = z.discriminatedUnion(
  'kind',
  Object.values(PART_TABLE).map(({ schema }) => schema) as unknown as [PartSchema, ...PartSchema[]],
);
export type PartRecord = z.infer<typeof partSchema>;

/** The entry of a part's kind, as one that takes any part of that kind. */
export function entryOf({ kind }: Pick<PartRecord, 'kind'>): PartEntry {
  return PART_TABLE[kind] as unknown as PartEntry;
}

/** What a part is, in a line of the trade's words. */
export function partSays(part: PartRecord): string {
  return entryOf(part).says(part);
}

/** Whether there are so few of a part's kind that a device has all of them in memory. */
export function isAtHand(part: Pick<PartRecord, 'kind'>): boolean {
  return entryOf(part).isAtHand;
}

/** Connectors that a part names, by the fields that name them. */
export function namedConnectors(part: PartRecord): readonly NamedConnector[] {
  return entryOf(part).connectors(part);
}

/** Every part of a catalogue as the shapes that the checks work on. */
export function toFitCatalogue(parts: readonly PartRecord[]): FitCatalogue {
  const all = parts.map((part) => entryOf(part).toFit(part));
  return {
    speakers: all.flatMap(({ speakers = [] }) => speakers),
    brackets: all.flatMap(({ brackets = [] }) => brackets),
    spacers: all.flatMap(({ spacers = [] }) => spacers),
    adapters: all.flatMap(({ adapters = [] }) => adapters),
  };
}

/** What ids of new parts of a kind begin with, such as "spk", or "bass box" of a kind that has no short one. */
export function partIdPrefix(kind: PartKind): string {
  return SHORT[kind] ?? partKindWord(kind);
}
const SHORT: Readonly<Partial<Record<PartKind, string>>> = {
  speaker: 'spk',
  bracket: 'brk',
  spacer: 'spc',
  harnessAdapter: 'adp',
};
