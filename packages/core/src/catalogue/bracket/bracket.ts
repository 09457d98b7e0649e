/** Brackets, and the states they have once tabs are snapped off. */
import { z } from 'zod';
import { COPIED_FIXINGS, type FitBracket } from '../../fit';
import { degToRad } from '../../units';
import { patternSchema, toPattern } from '../boltPattern';
import { catalogueLength, orderable, pieceOf } from '../orderable';
import { outlineSchema, toOutline } from '../outline';
import { partEntry } from '../PartEntry';
import { screwBags } from '../screwBags';
import { printed } from '../words/figures';
import { outlineWords } from '../words/partWords';
import { patternWords } from '../words/patternWords';
import { bracketSpecs } from './bracketSpecs';
import { snapOffsSchema } from './snapOffStates';
import { STATE_MARK } from './snapOffs';

export const bracketSchema = z.strictObject({
  kind: z.literal('bracket'),
  ...orderable,
  vehicleBolts: patternSchema,
  speakerBolts: patternSchema,
  throat: outlineSchema,
  plate: outlineSchema,
  heightMm: z.number().positive().max(120),
  /** Centre of the speaker's side from the vehicle's side. */
  offsetXMm: z.number().min(-120).max(120).default(0),
  offsetYMm: z.number().min(-120).max(120).default(0),
  /** Direction of the wire notch, from the right, anticlockwise, as the bracket lies in its drawing. */
  notchDeg: z.number().min(-360).max(360).nullable().default(null),
  /** Thickness under the heads of the screws to the vehicle; null where the catalogue does not say. */
  earMm: z.number().positive().max(60).nullable().default(null),
  /** Of the plate itself; null where the catalogue does not say. */
  wallMm: z.number().positive().max(60).nullable().default(null),
  /** How much material the speaker's screws find; null where the catalogue does not say. */
  bossMm: z.number().positive().max(120).nullable().default(null),
  /** Of the vehicle's fixings, those that it takes hold of itself. */
  copies: z.array(z.enum(COPIED_FIXINGS)).max(COPIED_FIXINGS.length).default([]),
  screws: screwBags,
  snapOffs: snapOffsSchema.default([]),
});
export type BracketRecord = z.infer<typeof bracketSchema>;

export const bracketEntry = partEntry({
  schema: bracketSchema,
  specs: bracketSpecs,
  listed: ({ snapOffs }) => ({ snapOffs: snapOffs.map(({ id, name }) => ({ id, name })) }),
  says: ({ heightMm, throat, vehicleBolts, speakerBolts }) =>
    `${printed(heightMm)} mm high, throat ${outlineWords(throat)}; to the vehicle ${patternWords(vehicleBolts)}; to the speaker ${patternWords(speakerBolts)}`,
  connectors: () => [],
  isAtHand: false,
  toFit: (record) => ({ brackets: toFitBrackets(record) }),
});

/** A bracket as it comes, and once for each of its snap-off states. */
function toFitBrackets(record: BracketRecord): readonly FitBracket[] {
  const length = catalogueLength(record);
  const asItComes: FitBracket = {
    kind: 'bracket',
    ...pieceOf(record),
    vehicleBolts: toPattern(record.vehicleBolts, length),
    speakerBolts: toPattern(record.speakerBolts, length),
    throat: toOutline(record.throat, length),
    plate: toOutline(record.plate, length),
    height: length(record.heightMm),
    offsetXMm: record.offsetXMm,
    offsetYMm: record.offsetYMm,
    notchRad: record.notchDeg === null ? null : degToRad(record.notchDeg),
    earMm: record.earMm,
    bossMm: record.bossMm,
    copies: record.copies,
    thicknessDoubt: length(0),
    screws: record.screws,
    screwDoubt: length(0),
  };
  const snapped = record.snapOffs.map((state) => ({
    ...asItComes,
    id: `${record.id}${STATE_MARK}${state.id}`,
    name: `${asItComes.name}, ${state.name}`,
    vehicleBolts: state.vehicleBolts ? toPattern(state.vehicleBolts, length) : asItComes.vehicleBolts,
    speakerBolts: state.speakerBolts ? toPattern(state.speakerBolts, length) : asItComes.speakerBolts,
    throat: state.throat ? toOutline(state.throat, length) : asItComes.throat,
  }));
  return [asItComes, ...snapped];
}
