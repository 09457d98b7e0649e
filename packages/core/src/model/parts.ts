/** The parts a shop can order, as records, and as the shapes that the checks work on. */

import { z } from 'zod';
import { SHOULDER_DOUBT } from '../fit/layout/SpeakerShape';
import { COPIED_FIXINGS, type FitBracket, type FitCatalogue, type FitSpacer, type FitSpeaker } from '../fit/shapes';
import type { BoltPattern } from '../geometry/BoltPattern';
import type { PartOutline } from '../geometry/Outline';
import { type Dimension, rectangular } from '../uncertainty/Dimension';
import { degToRad } from '../units/angle';
import type { HarnessAdapter } from '../wiring';

export const TERMINALS = ['spades 2.8 + 4.8', 'spades 4.8 + 6.3', 'bare ends'] as const;
export const SPEAKER_KINDS = ['coaxial', 'component woofer', 'full range', 'tweeter'] as const;
export const NOMINAL_SIZES = ['1 in', '3.5 in', '4 in', '4×6', '5.25 in', '6×8', '6.5 in', '6.75 in', '6×9'] as const;

const lengthMm = z.number().positive().max(400);

const outlineSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('circle'), diameterMm: lengthMm }),
  z.strictObject({ kind: z.literal('oval'), lengthMm, widthMm: lengthMm }),
]);

const patternSchema = z.strictObject({
  shape: z.discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('circle'),
      count: z.int().min(2).max(12),
      diameterMm: lengthMm,
      firstAngleDeg: z.number().min(0).max(360),
    }),
    z.strictObject({ kind: z.literal('rectangle'), widthMm: lengthMm, heightMm: lengthMm }),
    /** Anywhere: each hole plain, slotted, or a keyhole whose neck runs in the slot's direction. */
    z.strictObject({
      kind: z.literal('free'),
      holes: z
        .array(
          z.strictObject({
            xMm: z.number().min(-250).max(250),
            yMm: z.number().min(-250).max(250),
            kind: z.enum(['plain', 'slot', 'keyhole']).default('plain'),
            slotMm: z.number().min(0).max(40).default(0),
            slotDeg: z.number().min(-360).max(360).default(0),
          }),
        )
        .min(2)
        .max(24),
    }),
  ]),
  holeDiameterMm: z.number().positive().max(20),
  slotMm: z.number().min(0).max(40).default(0),
  slotRuns: z.enum(['radial', 'tangential']).default('tangential'),
});

const profileSectionSchema = z.strictObject({
  /** Below the flange's underside. */
  depthMm: z.number().min(0).max(400),
  lengthMm,
  widthMm: lengthMm,
});

const bodyBoxSchema = z.strictObject({
  label: z.string().min(1).max(40),
  live: z.boolean().default(true),
  /** From the right, anticlockwise, seen from the front with the speaker's long axis level. */
  angleDeg: z.number().min(-360).max(360),
  innerMm: z.number().min(0).max(250),
  outerMm: z.number().positive().max(250),
  widthMm: z.number().positive().max(120),
  fromMm: z.number().min(0).max(300),
  toMm: z.number().positive().max(300),
});

const screwBagSchema = z.strictObject({
  count: z.int().min(1).max(40),
  diameterMm: z.number().min(2).max(10),
  /** Under the head. */
  lengthMm: z.number().min(4).max(120),
  /** Width of the heads; null where the catalogue does not say. */
  headMm: z.number().min(2).max(30).nullable().default(null),
});
/** What comes in the box; none where the catalogue does not say. */
const screwBags = z.array(screwBagSchema).max(6).default([]);

const orderable = {
  id: z.string().min(1).max(80),
  maker: z.string().min(1).max(80),
  name: z.string().min(1).max(120),
  supplier: z.string().min(1).max(80),
  packSize: z.int().min(1).max(1000),
  packPriceMinor: z.int().min(0),
  /** Half of what the catalogue rounds its lengths to, as the half-width of each. */
  roundingMm: z.number().min(0).max(10).default(0.5),
};

export const speakerSchema = z.strictObject({
  kind: z.literal('speaker'),
  ...orderable,
  speakerKind: z.enum(SPEAKER_KINDS),
  nominalSize: z.enum(NOMINAL_SIZES),
  basket: outlineSchema,
  flange: outlineSchema,
  flangeThicknessMm: z.number().positive().max(40),
  mountingDepthMm: lengthMm,
  depthDatum: z.enum(['underside', 'top', 'notStated']),
  frontHeightMm: z.number().min(0).max(100),
  /** Diameter of what moves in front, with its surround; null where the catalogue does not say. */
  surroundMm: lengthMm.nullable().default(null),
  magnetDiameterMm: lengthMm,
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
  boxes: z
    .array(
      bodyBoxSchema.refine(({ innerMm, outerMm, fromMm, toMm }) => innerMm < outerMm && fromMm < toMm, {
        message: 'the inner face must be nearer the axis than the outer, the near face before the far one',
      }),
    )
    .max(6)
    .default([]),
  bolts: patternSchema,
  screws: screwBags,
  terminals: z.enum(TERMINALS),
  impedanceOhm: z.number().positive().max(32),
  rmsW: z.number().positive().max(5000),
  sensitivityDb: z.number().min(60).max(120),
});

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
  /** How much material the speaker's screws find; null where the catalogue does not say. */
  bossMm: z.number().positive().max(120).nullable().default(null),
  /** Of the vehicle's fixings, those that it takes hold of itself. */
  copies: z.array(z.enum(COPIED_FIXINGS)).max(COPIED_FIXINGS.length).default([]),
  screws: screwBags,
  /** Further states, with tabs snapped off: what differs from the bracket as it comes. */
  snapOffs: z
    .array(
      z.strictObject({
        id: z.string().regex(/^[a-z0-9-]{1,20}$/, 'use lower-case letters, digits and -'),
        name: z.string().min(1).max(60),
        vehicleBolts: patternSchema.nullable().default(null),
        speakerBolts: patternSchema.nullable().default(null),
        throat: outlineSchema.nullable().default(null),
      }),
    )
    .max(8)
    .default([]),
});

export const spacerSchema = z.strictObject({
  kind: z.literal('spacer'),
  ...orderable,
  inner: outlineSchema,
  outer: outlineSchema,
  heightMm: z.number().positive().max(60),
});

export const harnessAdapterSchema = z.strictObject({
  kind: z.literal('harnessAdapter'),
  ...orderable,
  fromConnectorId: z.string().min(1).max(80),
  to: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('terminals'), terminals: z.enum(TERMINALS) }),
    z.strictObject({ kind: z.literal('connector'), connectorId: z.string().min(1).max(80) }),
  ]),
  /** How far its plug stands out beyond the terminals, with the bend of its wires; null where the catalogue does not say. */
  plugMm: z.number().min(0).max(100).nullable().default(null),
});

export const connectorSchema = z.strictObject({
  id: z.string().min(1).max(80),
  name: z.string().min(1).max(120),
  ways: z.int().min(1).max(60),
});

export const partSchema = z.discriminatedUnion('kind', [
  speakerSchema,
  bracketSchema,
  spacerSchema,
  harnessAdapterSchema,
]);

export const PART_KINDS = [
  'speaker',
  'bracket',
  'spacer',
  'harnessAdapter',
] as const satisfies readonly PartRecord['kind'][];

export type PartRecord = z.infer<typeof partSchema>;
export type SpeakerRecord = z.infer<typeof speakerSchema>;
export type BracketRecord = z.infer<typeof bracketSchema>;
export type SpacerRecord = z.infer<typeof spacerSchema>;
export type HarnessAdapterRecord = z.infer<typeof harnessAdapterSchema>;
export type ConnectorRecord = z.infer<typeof connectorSchema>;

/** What a part is called where its maker is not shown beside it. */
export function partName({ maker, name }: Pick<PartRecord, 'maker' | 'name'>): string {
  return `${maker} ${name}`;
}

/** Every part of a catalogue as the shapes that the checks work on. */
export function toFitCatalogue(parts: readonly PartRecord[]): FitCatalogue {
  return {
    speakers: parts.filter((part) => part.kind === 'speaker').map(toFitSpeaker),
    brackets: parts.filter((part) => part.kind === 'bracket').flatMap(toFitBrackets),
    spacers: parts.filter((part) => part.kind === 'spacer').map(toFitSpacer),
    adapters: parts.filter((part) => part.kind === 'harnessAdapter').map(toHarnessAdapter),
  };
}

function toFitSpeaker(record: SpeakerRecord): FitSpeaker {
  const length = catalogueLength(record);
  return {
    ...common(record),
    nominalSize: record.nominalSize,
    basket: toOutline(record.basket, length),
    flange: toOutline(record.flange, length),
    flangeThickness: length(record.flangeThicknessMm),
    mountingDepth: length(record.mountingDepthMm),
    depthDatum: record.depthDatum,
    depthDoubt: rectangular(0, record.depthDatum === 'notStated' ? record.flangeThicknessMm / 2 : 0, 'catalogue'),
    frontHeight: length(record.frontHeightMm),
    surroundMm: record.surroundMm,
    magnetDiameter: length(record.magnetDiameterMm),
    profile: record.profile,
    profileDoubt:
      record.profile.length > 0
        ? length(0)
        : { ...length(0), uncertaintyMm: SHOULDER_DOUBT * record.mountingDepthMm, origin: 'classDefault' },
    widthDoubt: length(0),
    boxes: record.boxes.map(({ angleDeg, ...box }) => ({ ...box, angleRad: degToRad(angleDeg) })),
    boxDoubt: length(0),
    bolts: toPattern(record.bolts, length),
    screws: record.screws,
    screwDoubt: length(0),
    terminals: record.terminals,
  };
}

/** Between a bracket's id and that of its snap-off state. */
export const STATE_MARK = '#';

/** The id under which a bracket is ordered, whatever its state. */
export function orderedId(id: string): string {
  return id.split(STATE_MARK)[0] ?? id;
}

/** A bracket as it comes, and once for each of its snap-off states. */
function toFitBrackets(record: BracketRecord): readonly FitBracket[] {
  const length = catalogueLength(record);
  const asItComes: FitBracket = {
    kind: 'bracket',
    ...common(record),
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

function toFitSpacer(record: SpacerRecord): FitSpacer {
  const length = catalogueLength(record);
  return {
    kind: 'spacer',
    ...common(record),
    inner: toOutline(record.inner, length),
    outer: toOutline(record.outer, length),
    height: length(record.heightMm),
    made: false,
  };
}

function toHarnessAdapter(record: HarnessAdapterRecord): HarnessAdapter {
  return { ...common(record), fromConnectorId: record.fromConnectorId, to: record.to, plugMm: record.plugMm };
}

function common(record: PartRecord) {
  return { id: record.id, name: partName(record), pieceCostMinor: Math.round(record.packPriceMinor / record.packSize) };
}

function catalogueLength({ roundingMm }: PartRecord) {
  return (valueMm: number): Dimension => rectangular(valueMm, roundingMm, 'catalogue');
}

function toOutline(outline: z.infer<typeof outlineSchema>, length: (valueMm: number) => Dimension): PartOutline {
  return outline.kind === 'circle'
    ? { kind: 'circle', diameter: length(outline.diameterMm) }
    : { kind: 'oval', length: length(outline.lengthMm), width: length(outline.widthMm) };
}

function toPattern(
  { shape, ...rest }: z.infer<typeof patternSchema>,
  length: (valueMm: number) => Dimension,
): BoltPattern {
  switch (shape.kind) {
    case 'circle': {
      const { count, diameterMm, firstAngleDeg } = shape;
      return {
        ...rest,
        shape: { kind: 'circle', count, diameter: length(diameterMm), firstAngleRad: degToRad(firstAngleDeg) },
      };
    }
    case 'rectangle':
      return { ...rest, shape: { kind: 'rectangle', width: length(shape.widthMm), height: length(shape.heightMm) } };
    case 'free': {
      const holes = shape.holes.map(({ slotDeg, ...hole }) => ({ ...hole, slotRad: degToRad(slotDeg) }));
      return { ...rest, shape: { kind: 'free', holes, position: length(0) } };
    }
  }
}
