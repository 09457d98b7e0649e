/** Speakers. */
import { z } from 'zod';
import type { FitSpeaker } from '../../fit';
import { SHOULDER_DOUBT } from '../../fit';
import { rectangular } from '../../uncertainty';
import { degToRad } from '../../units';
import { bodyBoxesSchema } from '../bodyBoxes';
import { patternSchema, toPattern } from '../boltPattern';
import { catalogueLength, orderable, pieceOf, type ReadLength } from '../orderable';
import { lengthMm, outlineSchema, toOutline } from '../outline';
import { partEntry } from '../PartEntry';
import { rated } from '../rating';
import { screwBags } from '../screwBags';
import { TERMINALS } from '../terminals';
import { printed } from '../words/figures';
import { outlineWords, ratingWords } from '../words/partWords';
import { figureDoubtsSchema, openDoubts } from './figureDoubts';
import {
  allInHandSchema,
  asKnown,
  type InHandFigure,
  inHandDimension,
  makersBiasSchema,
  terminalsDoubt,
  terminalsInHandSchema,
  withBias,
} from './inHand';
import { NOMINAL_SIZES, SENSITIVITY_CONDITIONS, SPEAKER_KINDS } from './speakerNames';
import { speakerSpecs } from './speakerSpecs';

const profileSectionSchema = z.strictObject({
  /** Below the flange's underside. */
  depthMm: z.number().min(0).max(400),
  lengthMm,
  widthMm: lengthMm,
});

/** What a list may leave out is null: a speaker without what the fit needs is in the library, and is not judged (`lacksOf`). */
export const speakerSchema = z.strictObject({
  kind: z.literal('speaker'),
  ...orderable,
  speakerKind: z.enum(SPEAKER_KINDS),
  nominalSize: z.enum(NOMINAL_SIZES),
  basket: outlineSchema.nullable(),
  flange: outlineSchema.nullable(),
  flangeThicknessMm: z.number().positive().max(40).nullable(),
  mountingDepthMm: lengthMm.nullable(),
  depthDatum: z.enum(['underside', 'top', 'notStated']),
  frontHeightMm: z.number().min(0).max(100).nullable(),
  /** Diameter of what moves in front, with its surround; null where the catalogue does not say. */
  surroundMm: lengthMm.nullable().default(null),
  magnetDiameterMm: lengthMm.nullable(),
  massG: z.number().positive().max(50_000).nullable().default(null),
  /** Sections of the body from the flange to the magnet's end, shallowest first; none where the catalogue gives none. */
  profile: z
    .array(profileSectionSchema)
    .max(24)
    .refine(
      (sections) => sections.every(({ depthMm }, at) => at === 0 || depthMm > (sections[at - 1]?.depthMm ?? 0)),
      'list the sections from the flange inwards, each deeper than the one before',
    )
    .refine((sections) => sections.length !== 1, 'list two sections or more, or none')
    .default([]),
  /** Terminals and plugs that stick out of the round body. */
  boxes: bodyBoxesSchema.default([]),
  bolts: patternSchema.nullable(),
  screws: screwBags,
  /** null where nobody noted them: lengths are judged, and no lead is found. */
  terminals: z.enum(TERMINALS).nullable(),
  ...rated,
  sensitivityDb: z.number().min(60).max(120).nullable(),
  sensitivityAt: z.enum(SENSITIVITY_CONDITIONS).default('notStated'),
  /** Of its voice coil at direct current. */
  coilOhm: z.number().positive().max(64).nullable().default(null),
  coilMh: z.number().positive().max(50).nullable().default(null),
  /** Where it resonates in free air, and its total Q there (IEC 60268-5). */
  resonanceHz: z.number().min(5).max(20_000).nullable().default(null),
  totalQ: z.number().positive().max(20).nullable().default(null),
  doubts: figureDoubtsSchema,
  inHand: allInHandSchema,
  terminalsInHand: terminalsInHandSchema,
  /** As the shop's program worked it out from his other parts; nobody types it. */
  makersBias: makersBiasSchema,
});
export type SpeakerRecord = z.infer<typeof speakerSchema>;

export const speakerEntry = partEntry({
  schema: speakerSchema,
  specs: speakerSpecs,
  listed: (record) => {
    const { nominalSize, speakerKind, impedanceOhm, rmsW } = record;
    const lacks = lacksOf(record);
    return { nominalSize, speakerKind, impedanceOhm, rmsW, ...(lacks.length > 0 ? { lacks } : {}) };
  },
  says: (record) => {
    const { speakerKind, nominalSize, basket, mountingDepthMm, depthDatum, ...rating } = asKnown(record);
    return [
      `${speakerKind} ${nominalSize}`,
      basket ? `cutout ${outlineWords(basket)}` : 'cutout not stated',
      mountingDepthMm === null
        ? 'depth not stated'
        : `${printed(mountingDepthMm)} mm deep${depthDatum === 'top' ? ' from the top of its flange' : ''}`,
      ratingWords(rating),
    ].join(', ');
  },
  connectors: () => [],
  isAtHand: false,
  toFit: (record) => {
    const known = asKnown(record);
    return { speakers: isComplete(known) ? [toFitSpeaker(known, record)] : [] };
  },
});

/** What the fit cannot do without, by its name in a sentence. */
const NEEDED = {
  basket: 'cutout',
  flange: 'flange',
  flangeThicknessMm: 'thickness of the flange',
  mountingDepthMm: 'mounting depth',
  frontHeightMm: 'front height',
  magnetDiameterMm: 'magnet',
  bolts: 'screw holes',
} as const satisfies Partial<Record<keyof SpeakerRecord, string>>;
/** Which of them a calliper reads on a piece. */
export const READ_AS: Readonly<Partial<Record<Needed, InHandFigure>>> = {
  basket: 'cutout',
  flange: 'flange',
  flangeThicknessMm: 'flangeThickness',
  mountingDepthMm: 'depth',
  frontHeightMm: 'frontHeight',
  magnetDiameterMm: 'magnet',
};
type Needed = keyof typeof NEEDED;
export const NEEDED_FIGURES = Object.keys(NEEDED) as readonly Needed[];
/** One that the fit can judge. */
export type WholeSpeaker = SpeakerRecord & { readonly [Key in Needed]: NonNullable<SpeakerRecord[Key]> };

/** What the fit would need of a speaker and nobody wrote down or measured, in words such as "mounting depth"; empty where it can be judged. */
export function lacksOf(record: SpeakerRecord): readonly string[] {
  const known = asKnown(record);
  return NEEDED_FIGURES.filter((key) => known[key] === null).map((key) => NEEDED[key]);
}

export function isWhole(record: SpeakerRecord): boolean {
  return lacksOf(record).length === 0;
}

function isComplete(known: SpeakerRecord): known is WholeSpeaker {
  return NEEDED_FIGURES.every((key) => known[key] !== null);
}

/** Of a figure as the catalogue rounds it, as other parts of the maker say it lies off, or as it was measured. */
function lengthsOf(record: SpeakerRecord): (figure: InHandFigure) => ReadLength {
  const listed = catalogueLength(record);
  return (figure) => {
    const inHand = record.inHand.find((each) => each.figure === figure);
    if (inHand) return () => inHandDimension(inHand, record.roundingMm);
    const bias = record.makersBias.find((each) => each.figure === figure);
    return bias ? (valueMm) => withBias(bias, listed(valueMm)) : listed;
  };
}

/** Only the longest measure of an oval is read in the hand: the other is as the catalogue has it. */
function toKnownOutline(outline: WholeSpeaker['basket'], known: ReadLength, listed: ReadLength): FitSpeaker['basket'] {
  if (outline.kind === 'circle') return toOutline(outline, known);
  const isLong = outline.lengthMm >= outline.widthMm;
  return {
    kind: 'oval',
    length: (isLong ? known : listed)(outline.lengthMm),
    width: (isLong ? listed : known)(outline.widthMm),
  };
}

/**
 * @param known what was measured in place of what the catalogue says
 * @param record as it is kept
 */
function toFitSpeaker(known: WholeSpeaker, record: SpeakerRecord): FitSpeaker {
  const length = catalogueLength(record);
  const of = lengthsOf(record);
  const mountingDepth = of('depth')(known.mountingDepthMm);
  return {
    ...pieceOf(known),
    nominalSize: known.nominalSize,
    basket: toKnownOutline(known.basket, of('cutout'), length),
    flange: toKnownOutline(known.flange, of('flange'), length),
    flangeThickness: of('flangeThickness')(known.flangeThicknessMm),
    mountingDepth,
    depthDatum: known.depthDatum,
    depthDoubt: rectangular(0, known.depthDatum === 'notStated' ? known.flangeThicknessMm / 2 : 0, 'catalogue'),
    frontHeight: of('frontHeight')(known.frontHeightMm),
    surroundMm: known.surroundMm,
    magnetDiameter: of('magnet')(known.magnetDiameterMm),
    profile: profileTo(record, known, mountingDepth.valueMm),
    profileDoubt:
      known.profile.length > 0
        ? length(0)
        : { ...length(0), uncertaintyMm: SHOULDER_DOUBT * known.mountingDepthMm, origin: 'classDefault' },
    widthDoubt: length(0),
    boxes: known.boxes.map(({ angleDeg, ...box }) => ({ ...box, angleRad: degToRad(angleDeg) })),
    boxDoubt: record.terminalsInHand ? terminalsDoubt(record.terminalsInHand, record.roundingMm) : length(0),
    bolts: toPattern(known.bolts, known.bolts.shape.kind === 'circle' ? of('boltCircle') : length),
    screws: known.screws,
    screwDoubt: length(0),
    terminals: known.terminals,
    doubted: openDoubts(record).map(({ words }) => words),
  };
}

/** The sections as the catalogue has them, drawn out or pressed together to the depth that is counted with. */
function profileTo(record: SpeakerRecord, known: WholeSpeaker, countedMm: number): SpeakerRecord['profile'] {
  if (record.mountingDepthMm === null) return record.profile;
  const [was, is] = [belowMm(record, record.mountingDepthMm), belowMm(known, countedMm)];
  if (was === is) return record.profile;
  return record.profile.map((section) => ({ ...section, depthMm: (section.depthMm * is) / was }));
}

/** How deep it reaches below the underside of its flange; where nobody says what depth counts from, as if from there. */
function belowMm(
  { depthDatum, flangeThicknessMm }: Pick<SpeakerRecord, 'depthDatum' | 'flangeThicknessMm'>,
  depthMm: number,
): number {
  return depthMm - (depthDatum === 'top' ? (flangeThicknessMm ?? 0) : 0);
}
