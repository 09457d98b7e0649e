/**
 * What is kept of records besides themselves. A **kind** of record (`kinds/`) has its schema with upgrades, its fields and its words; a
 * **stored** record carries its form and is brought to today's when it is read; a **field** tells what differs between two states; a
 * **snapshot** is what a choice was judged by.
 */

export { baselineFields } from './baselineFields';
export { bayFields } from './bayFields';
export { carFactFields } from './carFactFields';
export { changeHeadline, changeSentences } from './changeSentences';
export { type Difference, differencesOf, type Field, isSame, mergeChanges, takeFields } from './Field';
export { forgedSecond } from './forgedSecond';
export { RECORDS, type StateOf } from './kinds';
export type { ChoiceState } from './kinds/choice';
export { AMPLIFIER_PLAN_FIELD, INTAKE_FIELDS } from './kinds/job';
export { RECORD_KINDS, type RecordKind } from './kinds/kindNames';
export type { ListSaid, PartsImportState } from './kinds/partsImport';
export { PERSON_FIELDS, type PersonState } from './kinds/person';
export { PHOTO_FIELDS } from './kinds/photo';
export { CHANGE_ACTIONS, type ChangeAction } from './kinds/RecordEntry';
export { SHELF_FIELDS } from './kinds/shelf';
export { bookedFields, crossoverFields, quietedFields, stowedFields } from './namedFields';
export { OPENING_FIELDS } from './openingFields';
export { partFields } from './partFields';
export { type Replaced, replacedBy, replacedLabels } from './replacedLabels';
export { SETTING_FIELDS, SETTING_GROUPS, type SettingField, type SettingInput } from './settingFields';
export { signatureForbids } from './signatureForbids';
export {
  changedSince,
  readStoredSnapshot,
  type Snapshot,
  type SnapshotNow,
  snapshotSchema,
  toStoredSnapshot,
} from './snapshot';
export {
  readStored,
  type Stored,
  type StoredKind,
  salvageOpening,
  salvageSettings,
  salvageVehicle,
  toStored,
  upgradeRecord,
} from './storedRecord';
export { taughtOpening } from './taughtOpening';
export {
  GRADE_WORDS,
  VALUE_GRADES,
  type ValueGrade,
  type ValueOrigin,
  type ValueStep,
  valueOrigins,
} from './valueOrigins';
export { vehicleFields } from './vehicleFields';
