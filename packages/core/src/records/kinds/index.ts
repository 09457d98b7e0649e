/**
 * The kinds of records whose changes are kept, one file each: what is kept of one, how an earlier form of it is brought to today's,
 * what differs between two states and in which words, who may change it and who may read of it. Whoever adds a kind writes its file
 * and adds it here and to the names; the history, undo, merging, backups and every list of kinds read this table, and the compiler names what is left.
 */

import type { JobState, OpeningRecord, PhotoState, ShelfState, ShopSettings } from '../../model';
import { type ChoiceState, choiceEntry } from './choice';
import { jobEntry } from './job';
import type { RecordKind } from './kindNames';
import { openingEntry } from './opening';
import { partEntry } from './part';
import { type PartsImportState, partsImportEntry } from './partsImport';
import { type PersonState, personEntry } from './person';
import { photoEntry } from './photo';
import type { RecordEntry } from './RecordEntry';
import { settingsEntry } from './settings';
import { shelfEntry } from './shelf';
import { vehicleEntry } from './vehicle';

export const RECORDS = {
  job: jobEntry,
  opening: openingEntry,
  choice: choiceEntry,
  settings: settingsEntry,
  person: personEntry,
  part: partEntry,
  vehicle: vehicleEntry,
  partsImport: partsImportEntry,
  photo: photoEntry,
  shelf: shelfEntry,
} as const satisfies Readonly<Record<RecordKind, RecordEntry>>;

/** The state of a kind as those who change it have it; of a part or a vehicle any record. */
export type StateOf = {
  readonly job: JobState;
  readonly opening: OpeningRecord;
  readonly choice: ChoiceState;
  readonly settings: ShopSettings;
  readonly person: PersonState;
  readonly partsImport: PartsImportState;
  readonly photo: PhotoState;
  readonly shelf: ShelfState;
};
