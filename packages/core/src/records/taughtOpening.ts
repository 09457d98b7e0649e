/**
 * What a car teaches the library of one place: what was measured or looked at on it, and nothing that was only taken over. What the
 * library knows besides stays.
 */
import { asCarried, isTakenHere, type Measurement, type OpeningRecord } from '../model';
import { isSame } from './Field';
import { OPENING_FIELDS } from './openingFields';

/** Of this one car, or of this job. */
const NOT_TAUGHT: ReadonlySet<string> = new Set([
  'note',
  'oldSpeaker',
  'earlier',
  'build',
  'assumed',
  'faces',
  'lineFilter',
  'tweeterSeat',
  'housing',
  'jointWay',
]);

/**
 * @param known what the library has of the place; null where it has none
 * @returns the library's record after the car; `known` itself where the car teaches nothing
 */
export function taughtOpening(known: OpeningRecord | null, car: OpeningRecord): OpeningRecord {
  const carried = asCarried(car);
  if (!known) return carried;
  const assumed = known.assumed.filter((each) => car.assumed.includes(each));
  const taught = OPENING_FIELDS.filter(({ path }) => !NOT_TAUGHT.has(path)).reduce<OpeningRecord>(
    (record, field) => {
      const value = field.read(car);
      if (!isTaught(field.path, value, car) || isSame(field.read(carried), field.read(record))) return record;
      return field.write(record, field.read(carried));
    },
    { ...known, assumed },
  );
  return isSame(taught, known) ? known : taught;
}

function isTaught(path: string, value: unknown, { assumed }: OpeningRecord): boolean {
  if (path.startsWith('dimensions.')) return isTakenHere(value as Measurement | undefined);
  if (assumed.some((each) => each === path)) return false;
  if (value === null || value === undefined || value === '' || value === false || value === 'notLooked') return false;
  if (Array.isArray(value)) return value.length > 0;
  return typeof value !== 'object' || !('kind' in value) || value.kind !== 'unknown';
}
