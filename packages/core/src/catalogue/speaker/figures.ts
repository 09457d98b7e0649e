/** The figures of a speaker that can be compared with those of its class. */
import type { z } from 'zod';
import type { patternSchema } from '../boltPattern';
import type { outlineSchema } from '../outline';

type PatternRecord = z.infer<typeof patternSchema>;
type OutlineRecord = z.infer<typeof outlineSchema>;

export const FIGURE_IDS = [
  'cutout',
  'flange',
  'flangeThickness',
  'depth',
  'frontHeight',
  'magnet',
  'boltCircle',
  'mass',
  'impedance',
  'power',
  'sensitivity',
] as const;
export type FigureId = (typeof FIGURE_IDS)[number];
export type Figures = Readonly<Partial<Record<FigureId, number>>>;

export const FIGURE_WORDS: Readonly<Record<FigureId, { readonly label: string; readonly unit: string }>> = {
  cutout: { label: 'Cutout', unit: 'mm' },
  flange: { label: 'Flange', unit: 'mm' },
  flangeThickness: { label: 'Flange thickness', unit: 'mm' },
  depth: { label: 'Mounting depth', unit: 'mm' },
  frontHeight: { label: 'Front height', unit: 'mm' },
  magnet: { label: 'Magnet', unit: 'mm' },
  boltCircle: { label: 'Screw circle', unit: 'mm' },
  mass: { label: 'Mass', unit: 'g' },
  impedance: { label: 'Impedance', unit: 'Ω' },
  power: { label: 'Power, RMS', unit: 'W' },
  sensitivity: { label: 'Sensitivity', unit: 'dB' },
};

type Figured = {
  readonly basket: OutlineRecord | null;
  readonly flange: OutlineRecord | null;
  readonly flangeThicknessMm: number | null;
  readonly mountingDepthMm: number | null;
  readonly frontHeightMm: number | null;
  readonly magnetDiameterMm: number | null;
  readonly bolts?: PatternRecord | null;
  readonly massG: number | null;
  readonly impedanceOhm: number | null;
  readonly rmsW: number | null;
  readonly sensitivityDb: number | null;
};

/** Those that are known, in mm, g, ohm, W and dB; an outline counts with its longest measure. */
export function figuresOf(record: Figured): Figures {
  const all: Readonly<Record<FigureId, number | null>> = {
    cutout: record.basket && longest(record.basket),
    flange: record.flange && longest(record.flange),
    flangeThickness: record.flangeThicknessMm,
    depth: record.mountingDepthMm,
    frontHeight: record.frontHeightMm,
    magnet: record.magnetDiameterMm,
    boltCircle: record.bolts?.shape.kind === 'circle' ? record.bolts.shape.diameterMm : null,
    mass: record.massG,
    impedance: record.impedanceOhm,
    power: record.rmsW,
    sensitivity: record.sensitivityDb,
  };
  return Object.fromEntries(Object.entries(all).filter(([, value]) => value !== null)) as Figures;
}

function longest(outline: OutlineRecord): number {
  return outline.kind === 'circle' ? outline.diameterMm : Math.max(outline.lengthMm, outline.widthMm);
}

/** The same with another value of one figure; of an oval its longest measure. */
export function withFigure<Speaker extends Figured>(speaker: Speaker, figure: FigureId, value: number): Speaker {
  switch (figure) {
    case 'cutout':
      return { ...speaker, basket: withLongest(speaker.basket, value) };
    case 'flange':
      return { ...speaker, flange: withLongest(speaker.flange, value) };
    case 'boltCircle':
      return { ...speaker, bolts: withCircle(speaker.bolts, value) };
    default:
      return { ...speaker, [FIELDS[figure]]: value };
  }
}

const FIELDS = {
  flangeThickness: 'flangeThicknessMm',
  depth: 'mountingDepthMm',
  frontHeight: 'frontHeightMm',
  magnet: 'magnetDiameterMm',
  mass: 'massG',
  impedance: 'impedanceOhm',
  power: 'rmsW',
  sensitivity: 'sensitivityDb',
} as const satisfies Record<Exclude<FigureId, 'cutout' | 'flange' | 'boltCircle'>, keyof Figured>;

/** The figure that a key of a speaker's record holds; null for a key of another kind. */
export function figureOfKey(key: string): FigureId | null {
  if (key === 'basket') return 'cutout';
  if (key === 'flange') return 'flange';
  if (key === 'bolts') return 'boltCircle';
  const fields: Readonly<Partial<Record<FigureId, string>>> = FIELDS;
  return FIGURE_IDS.find((figure) => fields[figure] === key) ?? null;
}

/** A pattern that is no circle has none: it stays as it is. */
function withCircle(bolts: Figured['bolts'], diameterMm: number): NonNullable<Figured['bolts']> | null {
  if (bolts?.shape.kind !== 'circle') return bolts ?? null;
  return { ...bolts, shape: { ...bolts.shape, diameterMm } };
}

function withLongest(outline: OutlineRecord | null, value: number): OutlineRecord {
  if (outline?.kind !== 'oval') return { kind: 'circle', diameterMm: value };
  const isLong = outline.lengthMm >= outline.widthMm;
  return { ...outline, [isLong ? 'lengthMm' : 'widthMm']: value };
}
