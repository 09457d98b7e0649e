import { type Offer, partSchema } from '../../catalogue';
import { partFields } from '../partFields';
import { type Raw, recordEntry, verbs } from './RecordEntry';

export const partEntry = recordEntry({
  word: 'Part',
  schema: partSchema,
  upgrades: [takeOutOffer],
  fields: partFields,
  did: verbs('added the part', 'changed the part', 'removed the part'),
  changedBy: 'library',
});

/** What stood in place of a supplier where nobody had chosen one. */
const NOBODY = 'not chosen yet';

/** A part had one supplier, with pack and price, within itself. */
function takeOutOffer(record: Raw): Raw {
  if ('offers' in record) return record;
  const { supplier, packSize, packPriceMinor, ...rest } = record;
  if (supplier === undefined || supplier === NOBODY) return { ...rest, offers: [] };
  const offer = { supplier, packSize, packPriceMinor } as Offer;
  return { ...rest, offers: [offer] };
}
