import { vehicleSchema } from '../../model';
import { recordEntry, verbs } from './RecordEntry';

export const vehicleEntry = recordEntry({
  word: 'Vehicle',
  schema: vehicleSchema,
  fields: null,
  did: verbs('added the vehicle', 'changed the vehicle', 'removed the vehicle'),
  changedBy: 'library',
});
