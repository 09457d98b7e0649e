/** The names of the kinds alone: who only tells them apart does not bring every record's schema and words along. */
export const RECORD_KINDS = [
  'job',
  'opening',
  'choice',
  'settings',
  'person',
  'part',
  'vehicle',
  'partsImport',
  'photo',
  'shelf',
] as const;
export type RecordKind = (typeof RECORD_KINDS)[number];
