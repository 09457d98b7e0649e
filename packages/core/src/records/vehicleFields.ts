/** The fields of a vehicle's record: what tells the variant from others, and each of its openings by where it is. */
import {
  channelWords,
  type Dispute,
  devicePlugWords,
  functionLabel,
  type OpeningRecord,
  placeLabel,
  routeWords,
  spaceWords,
  type VehicleRecord,
  type Years,
  yearsWords,
} from '../model';
import { carFactFields } from './carFactFields';
import { type Field, isSame, keyField, plainWords } from './Field';
import { OPENING_FIELDS } from './openingFields';
import { panelFields } from './panelFields';

const KEY_WORDS = {
  make: ['Make', plainWords],
  model: ['Model', plainWords],
  years: ['Years', (value) => yearsWords(value as Years)],
  body: ['Body', plainWords],
  cab: ['Cab', plainWords],
  doors: ['Doors', plainWords],
  trim: ['Trim', plainWords],
  audioPackage: ['Audio package', plainWords],
  steeringSide: ['Steering on the', plainWords],
  market: ['Market', plainWords],
  aliases: ['Other names', plainWords],
  beganAs: ['Began as', plainWords],
  note: ['Note', plainWords],
  functions: ['Functions', functionsWords],
  disputes: ['Disputed', disputesWords],
  spaces: ['Room for more', listWords(spaceWords)],
  routes: ['Ways for wires', listWords(routeWords)],
  channels: ['Channels', listWords(channelWords)],
  devicePlugs: ['Plugs of radio and amplifier', listWords(devicePlugWords)],
} as const satisfies Readonly<
  Record<
    Exclude<keyof VehicleRecord, 'id' | 'openings' | 'panels' | 'facts'>,
    readonly [label: string, words: (value: unknown) => string]
  >
>;

/** Its id is its identity and no field. */
export const VARIANT_FIELDS: readonly Field<VehicleRecord>[] = Object.entries(KEY_WORDS).map(([key, [label, words]]) =>
  keyField<VehicleRecord>(key as keyof typeof KEY_WORDS, label, words),
);

function disputesWords(disputes: unknown): string {
  // What is kept of an earlier form has none.
  return plainWords(((disputes ?? []) as readonly Dispute[]).map(({ label, says, by }) => `${label}: ${says}, ${by}`));
}

function functionsWords(functions: unknown): string {
  if (functions === null) return 'as usual for the body';
  return plainWords((functions as readonly string[]).map(functionLabel));
}

/** What is known of it besides. */
export const VEHICLE_FACT_FIELDS = carFactFields<'facts', VehicleRecord>('facts');

/** Of a list that nobody may have looked for. */
function listWords<Each>(words: (each: Each) => string) {
  return (list: unknown) => {
    if (list === null || list === undefined) return 'not looked';
    return plainWords((list as readonly Each[]).map(words));
  };
}

/** With a field for each opening, and those of each panel, that any of the records has. */
export function vehicleFields(...records: readonly VehicleRecord[]): readonly Field<VehicleRecord>[] {
  // What is kept of an earlier form, or cannot be read, may have none.
  const labels = new Set(records.flatMap(({ openings }) => openings?.map((each) => placeLabel(each)) ?? []));
  return [...VARIANT_FIELDS, ...VEHICLE_FACT_FIELDS, ...[...labels].map(openingField), ...panelFields(...records)];
}

function openingField(label: string): Field<VehicleRecord> {
  const isIt = (opening: OpeningRecord) => placeLabel(opening) === label;
  return {
    path: `openings.${label}`,
    label,
    read: ({ openings }) => openings.find(isIt),
    write: (record, value) => ({ ...record, openings: withOpening(record.openings, isIt, value as OpeningRecord) }),
    words: (value) => openingWords(value as OpeningRecord | undefined),
  };
}

function withOpening(
  openings: readonly OpeningRecord[],
  isIt: (opening: OpeningRecord) => boolean,
  value: OpeningRecord | undefined,
): OpeningRecord[] {
  if (!value) return openings.filter((each) => !isIt(each));
  return openings.some(isIt) ? openings.map((each) => (isIt(each) ? value : each)) : [...openings, value];
}

/** What is known of it, field by field. */
function openingWords(opening: OpeningRecord | undefined): string {
  if (!opening) return 'not there';
  return OPENING_FIELDS.filter(({ read }) => isKnown(read(opening)))
    .map(({ label, read, words }) => `${label.toLowerCase()} ${words(read(opening))}`)
    .join('; ');
}

function isKnown(value: unknown): boolean {
  return ![undefined, null, '', false, 'notLooked'].some((none) => none === value) && !isSame(value, []);
}
