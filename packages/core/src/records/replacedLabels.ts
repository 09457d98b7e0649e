/**
 * What a change of a vehicle replaces, as opposed to what it only fills in: where nothing was known, anybody who sees it may write it
 * down; what somebody wrote down is not another's to replace.
 */
import {
  type CarFact,
  isOnlyHeard,
  isSomebodysWord,
  type OpeningRecord,
  type Panel,
  placeLabel,
  type VehicleRecord,
} from '../model';
import { type Field, isSame } from './Field';
import { OPENING_FIELDS } from './openingFields';
import { panelFields } from './panelFields';
import { VARIANT_FIELDS, VEHICLE_FACT_FIELDS } from './vehicleFields';

/** What somebody else wrote, by its name, and what is said instead. */
export type Replaced = { readonly label: string; readonly says: string };

/** @returns the names of what would be replaced; empty where a change only fills in */
export function replacedLabels(before: VehicleRecord, after: VehicleRecord): readonly string[] {
  return [...new Set(replacedBy(before, after).map(({ label }) => label))];
}

/** @returns what would be replaced, with the words of who says otherwise */
export function replacedBy(before: VehicleRecord, after: VehicleRecord): readonly Replaced[] {
  return [
    ...replaced(VARIANT_FIELDS, before, after),
    ...replaced(
      VEHICLE_FACT_FIELDS.filter(({ read }) => isTold(read(before))),
      before,
      after,
    ),
    ...before.openings.flatMap((opening) => replacedAt(opening, after.openings)),
    ...before.panels.flatMap((panel) => replacedOn(panel, before, after)),
  ];
}

function replacedAt(before: OpeningRecord, after: readonly OpeningRecord[]): readonly Replaced[] {
  const label = placeLabel(before);
  const now = after.find((each) => placeLabel(each) === label);
  if (!now) return [{ label, says: 'not there' }];
  // What was only taken as usual is nobody's word.
  const told = OPENING_FIELDS.filter(({ path }) => path !== 'assumed' && !before.assumed.some((each) => each === path));
  return replaced(told, before, now).map((each) => ({ ...each, label: `${label}: ${each.label.toLowerCase()}` }));
}

/** What was only said, or guessed, gives way to what somebody saw. */
function isTold(fact: unknown): boolean {
  return fact !== undefined && !isOnlyHeard((fact as CarFact).grade);
}

/** What was only taken as usual for the body is nobody's word. */
function replacedOn(panel: Panel, before: VehicleRecord, after: VehicleRecord): readonly Replaced[] {
  if (!isSomebodysWord(panel.grade)) return [];
  return replaced(panelFields({ ...before, panels: [panel] }), before, after);
}

function replaced<Rec>(fields: readonly Field<Rec>[], before: Rec, after: Rec): readonly Replaced[] {
  return fields.flatMap(({ label, read, words }) =>
    keeps(read(before), read(after)) ? [] : [{ label, says: words(read(after)) }],
  );
}

const NOT_KNOWN: ReadonlySet<unknown> = new Set([null, undefined, '', false, 'notLooked']);

/** Whether nothing was known before, or what was is still there with more beside it. */
function keeps(before: unknown, after: unknown): boolean {
  if (NOT_KNOWN.has(before) || isSame(before, after)) return true;
  if (typeof before === 'string') return typeof after === 'string' && after.startsWith(before);
  if (Array.isArray(before))
    return Array.isArray(after) && before.every((each) => after.some((now) => isSame(each, now)));
  if (typeof before !== 'object' || before === null) return false;
  if ('source' in before) return before.source === 'classDefault' || before.source === 'guess';
  // One of a list is what its key says, whatever kind it is; of anything else another kind is another thing.
  if ('kind' in before && !('key' in before)) return before.kind === 'unknown';
  return Object.entries(before).every(([key, value]) => keeps(value, (after as Record<string, unknown> | null)?.[key]));
}
