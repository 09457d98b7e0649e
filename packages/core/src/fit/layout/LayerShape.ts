/** A part between the metal and the speaker in numbers: a bracket in one of its states, or a ring. */
import {
  type OutlineMm,
  outlineLengths,
  outlineMm,
  type PartOutline,
  patternDimensions,
  type Span,
  spanOf,
} from '../../geometry';
import type { Dimension } from '../../uncertainty';
import type { FitLayer } from '../shapes';
import { LAYER, LAYER_SLOTS } from './slots';

export type LayerShape = {
  readonly layer: FitLayer;
  readonly heightMm: number;
  readonly inner: OutlineMm;
  readonly outer: OutlineMm;
  /** Cut to suit: its hole and its outside are what they have to be. */
  readonly isMade: boolean;
  /** null where it is cut to suit. */
  readonly innerSpan: Span | null;
  readonly outerSpan: Span | null;
  readonly dimensions: readonly (Dimension | null)[];
};

const known = new WeakMap<FitLayer, LayerShape>();

export function layerShape(layer: FitLayer): LayerShape {
  let shape = known.get(layer);
  if (!shape) {
    shape = newShape(layer);
    known.set(layer, shape);
  }
  return shape;
}

/** The hole of a part and its outside. */
export function holeOf(layer: FitLayer): PartOutline {
  return layer.kind === 'bracket' ? layer.throat : layer.inner;
}

export function outsideOf(layer: FitLayer): PartOutline {
  return layer.kind === 'bracket' ? layer.plate : layer.outer;
}

function newShape(layer: FitLayer): LayerShape {
  const [inner, outer] = [holeOf(layer), outsideOf(layer)];
  const dimensions: (Dimension | null)[] = new Array(LAYER_SLOTS).fill(null);
  const put = (outline: PartOutline, at: number) =>
    outlineLengths(outline).forEach(([, length], each) => {
      dimensions[at + each] = length;
    });
  put(inner, LAYER.innerLength);
  put(outer, LAYER.outerLength);
  dimensions[LAYER.height] = layer.height;
  if (layer.kind === 'bracket') {
    dimensions[LAYER.screws] = layer.screwDoubt;
    dimensions[LAYER.ears] = layer.thicknessDoubt;
    patternDimensions(layer.vehicleBolts.shape).forEach(({ dimension }, at) => {
      dimensions[LAYER.lowerFirst + at] = dimension;
    });
    patternDimensions(layer.speakerBolts.shape).forEach(({ dimension }, at) => {
      dimensions[LAYER.upperFirst + at] = dimension;
    });
  }
  const isMade = layer.kind === 'spacer' && layer.made;
  const [innerMm, outerMm] = [mustMm(inner), mustMm(outer)];
  return {
    layer,
    heightMm: layer.height.valueMm,
    inner: innerMm,
    outer: outerMm,
    isMade,
    innerSpan: isMade ? null : spanOf(innerMm),
    outerSpan: isMade ? null : spanOf(outerMm),
    dimensions,
  };
}

/** A part's outline; the catalogue gives its lengths. */
export function mustMm(outline: PartOutline): OutlineMm {
  const mm = outlineMm(outline);
  if (!mm) throw new Error('mustMm: expected an outline with its lengths');
  return mm;
}

/** The name of a layer's dimension in a margin: `bracket.` for the first bracket from the metal, `spacer2.` for a second ring. */
export function layerName(layers: readonly FitLayer[], at: number, slot: number): string {
  const layer = layers[at] as FitLayer;
  const before = layers.slice(0, at).filter(({ kind }) => kind === layer.kind).length;
  const prefix = `${layer.kind}${before === 0 ? '' : before + 1}.`;
  const [inner, outer] = layer.kind === 'bracket' ? ['throat', 'plate'] : ['inner', 'outer'];
  const ending = (outline: PartOutline, which: number) => outlineLengths(outline)[which]?.[0] ?? '';
  if (slot < LAYER.outerLength) return `${prefix}${inner}${ending(holeOf(layer), slot)}`;
  if (slot < LAYER.height) return `${prefix}${outer}${ending(outsideOf(layer), slot - LAYER.outerLength)}`;
  if (slot === LAYER.height || layer.kind === 'spacer') return `${prefix}height`;
  if (slot === LAYER.screws) return `${prefix}screws`;
  if (slot === LAYER.ears) return `${prefix}ears`;
  const isLower = slot < LAYER.upperFirst;
  const { shape } = isLower ? layer.vehicleBolts : layer.speakerBolts;
  const key = patternDimensions(shape)[slot - (isLower ? LAYER.lowerFirst : LAYER.upperFirst)]?.key ?? '';
  return `${prefix}${isLower ? 'vehicle' : 'speaker'}.${key}`;
}
