/** The figures of a speaker that can be compared with those of its class. */
import type { z } from 'zod';
import type { outlineSchema } from '../outline';

type OutlineRecord = z.infer<typeof outlineSchema>;

export const FIGURE_IDS = [
  'cutout',
  'flange',
  'flangeThickness',
  'depth',
  'frontHeight',
  'magnet',
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
