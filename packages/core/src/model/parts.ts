/** The parts a shop can order, as records, and as the shapes that the checks work on. */
import { z } from 'zod';
import type { FitBracket, FitCatalogue, FitHarnessAdapter, FitSpacer, FitSpeaker } from '../fit/shapes';
import type { BoltPattern } from '../geometry/BoltPattern';
import type { Outline } from '../geometry/Outline';
import { type Dimension, rectangular } from '../uncertainty/Dimension';
import { degToRad } from '../units/angle';

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
  ]),
  holeDiameterMm: z.number().positive().max(20),
  slotMm: z.number().min(0).max(40).default(0),
  slotRuns: z.enum(['radial', 'tangential']).default('tangential'),
});

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
  magnetDiameterMm: lengthMm,
  bolts: patternSchema,
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
    brackets: parts.filter((part) => part.kind === 'bracket').map(toFitBracket),
    spacers: parts.filter((part) => part.kind === 'spacer').map(toFitSpacer),
    adapters: parts.filter((part) => part.kind === 'harnessAdapter').map(toFitHarnessAdapter),
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
    frontHeight: length(record.frontHeightMm),
    magnetDiameter: length(record.magnetDiameterMm),
    bolts: toPattern(record.bolts, length),
    terminals: record.terminals,
  };
}

function toFitBracket(record: BracketRecord): FitBracket {
  const length = catalogueLength(record);
  return {
    ...common(record),
    vehicleBolts: toPattern(record.vehicleBolts, length),
    speakerBolts: toPattern(record.speakerBolts, length),
    throat: toOutline(record.throat, length),
    plate: toOutline(record.plate, length),
    height: length(record.heightMm),
  };
}

function toFitSpacer(record: SpacerRecord): FitSpacer {
  const length = catalogueLength(record);
  return {
    ...common(record),
    inner: toOutline(record.inner, length),
    outer: toOutline(record.outer, length),
    height: length(record.heightMm),
  };
}

function toFitHarnessAdapter(record: HarnessAdapterRecord): FitHarnessAdapter {
  return { ...common(record), fromConnectorId: record.fromConnectorId, to: record.to };
}

function common(record: PartRecord) {
  return { id: record.id, name: partName(record), pieceCostMinor: Math.round(record.packPriceMinor / record.packSize) };
}

function catalogueLength({ roundingMm }: PartRecord) {
  return (valueMm: number): Dimension => rectangular(valueMm, roundingMm, 'catalogue');
}

function toOutline(outline: z.infer<typeof outlineSchema>, length: (valueMm: number) => Dimension): Outline {
  return outline.kind === 'circle'
    ? { kind: 'circle', diameter: length(outline.diameterMm) }
    : { kind: 'oval', length: length(outline.lengthMm), width: length(outline.widthMm) };
}

function toPattern(
  { shape, ...rest }: z.infer<typeof patternSchema>,
  length: (valueMm: number) => Dimension,
): BoltPattern {
  return {
    ...rest,
    shape:
      shape.kind === 'circle'
        ? {
            kind: 'circle',
            count: shape.count,
            diameter: length(shape.diameterMm),
            firstAngleRad: degToRad(shape.firstAngleDeg),
          }
        : { kind: 'rectangle', width: length(shape.widthMm), height: length(shape.heightMm) },
  };
}
