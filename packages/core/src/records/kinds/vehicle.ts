import { bodyWords, type VehicleRecord, vehicleSchema } from '../../model';
import { vehicleFields } from '../vehicleFields';
import { type Raw, recordEntry, verbs } from './RecordEntry';

export const vehicleEntry = recordEntry({
  word: 'Vehicle',
  schema: vehicleSchema,
  upgrades: [readYears],
  fields: vehicleFields,
  firstWords: (state) => [bodyWords(state as VehicleRecord)],
  did: verbs('added the vehicle', 'changed the vehicle', 'removed the vehicle'),
  changedBy: 'vehicles',
});

/** Years were a line of text: what is no year in it stays readable as the note. */
function readYears(record: Raw): Raw {
  const { years, ...rest } = record;
  if (typeof years !== 'string') return record;
  const [from, to, more] = (years.match(/\b(?:19|20)\d\d\b/g) ?? []).map(Number);
  if (from === undefined || more !== undefined || (to !== undefined && to < from))
    return { ...rest, years: { from: null, to: null }, note: `Years: ${years}` };
  const isOpen = to === undefined && /[-–]\s*$|from|since|now|today/i.test(years);
  return { ...rest, years: { from, to: isOpen ? null : (to ?? from) } };
}
