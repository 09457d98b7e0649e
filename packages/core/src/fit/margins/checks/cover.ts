/**
 * Covers: each plate, ring or flange covers the hole of what lies under it all round, by the shop's least width. What does
 * not lets sound through from behind, and has nothing to stand on there; foam or another ring may close it.
 */
import type { OutlineMm } from '../../../geometry';
import { polygonPoints } from '../../../geometry';
import { printLength } from '../../../units';
import { type LayerShape, mustMm } from '../../layout/LayerShape';
import { addOutline, fromPlate, METAL, roomIn } from '../../layout/plates';
import { LAYER, layerAt, SPEAKER } from '../../layout/slots';
import type { View } from '../../layout/View';
import type { LayerPlace } from '../../mates/placements';
import type { CheckKind } from '../CheckKind';
import { plateWord } from './hole';

const NOT_MEASURED = 1000;
const ALL_MADE = 1001;

export const cover: CheckKind = {
  askedAt: 10,
  mostSides: 1,
  dependsOnTurn: () => true,
  setsHeight: null,
  ask(view, gaps, { clearancesMm }) {
    for (let layer = METAL; layer < view.layers.length; layer++) {
      const below = holeBelow(view, layer);
      const above = outsideAbove(view, layer);
      if (!below || !above) continue;
      const found = leastCover(below, above);
      found.add(view);
      gaps.offer(found.mm - clearancesMm.cover, layer + 1);
    }
    if (gaps.hasMargin) return;
    if (view.opening.hole) gaps.fact('clears', ALL_MADE);
    else gaps.notLooked('opening', NOT_MEASURED);
  },
  tell(view, { tag, valueMm, verdict }, { clearancesMm }, unit) {
    if (tag === NOT_MEASURED)
      return { sentence: 'The hole has not been measured, so nobody knows whether it is covered.', nearest: null };
    if (tag === ALL_MADE) return { sentence: 'The ring is cut to cover the hole.', nearest: null };
    const layer = tag - 1;
    const asked = clearancesMm.cover;
    const what = layer === METAL ? 'the hole' : `the ${plateWord(view, layer)}`;
    const above = view.layers[layer + 1];
    const part = above ? (above.layer.kind === 'bracket' ? 'bracket' : 'ring') : 'flange';
    const mm = valueMm + asked;
    const room = `the shop asks ${printLength(asked, unit)}`;
    if (mm < 0)
      return {
        sentence: `The ${part} leaves ${printLength(-mm, unit)} of ${what} open at the widest; foam tape or a wider ring would close it.`,
        nearest: null,
      };
    const close = verdict === 'clears' ? '' : '; foam tape or a wider ring would close it';
    return {
      sentence: `The ${part} covers ${what} by ${printLength(mm, unit)} at the narrowest; ${room}${close}.`,
      nearest: null,
    };
  },
};

type Hole = { readonly outline: OutlineMm; readonly slot: number; readonly place: LayerPlace };

function holeBelow(view: View, layer: number): Hole | null {
  if (layer === METAL) {
    const { hole } = view.opening;
    return hole && { outline: hole.outline, slot: hole.firstSlot, place: view.opening.holePlace };
  }
  const { inner, isMade } = view.layers[layer] as LayerShape;
  const place = view.placeOf(layer);
  return isMade ? null : { outline: inner, slot: layerAt(layer) + LAYER.innerLength, place };
}

function outsideAbove(view: View, layer: number): Hole | null {
  const above = view.layers[layer + 1];
  if (!above) {
    const { flange } = view.speaker.speaker;
    return { outline: mustMm(flange), slot: SPEAKER.flangeLength, place: view.placement.at };
  }
  if (above.isMade) return null;
  const place = view.placeOf(layer + 1);
  return { outline: above.outer, slot: layerAt(layer + 1) + LAYER.outerLength, place };
}

type Cover = { readonly mm: number; readonly add: (view: View) => void };

/** How far an outside reaches over a hole where it does so least: every place of the hole's edge must lie inside it. */
function leastCover(below: Hole, above: Hole): Cover {
  let best: Cover = { mm: Number.POSITIVE_INFINITY, add: () => undefined };
  for (const { at, a, b, slopes } of edgesOf(below)) {
    const room = { ...roomIn(above.outline, above.place, at, a, b) };
    if (room.roomMm >= best.mm) continue;
    best = {
      mm: room.roomMm,
      add: (view) => {
        addOutline(view, above.slot, room.outer);
        const [nx, ny] = fromPlate(above.place, room.nx, room.ny);
        addOutline(view, below.slot, slopes(nx, ny, room.innerAlong, room.innerAcross));
      },
    };
  }
  return best;
}

/** A piece of a hole's edge as an ellipse, and what the cover loses for each millimetre of the hole's lengths. */
type Piece = {
  readonly at: LayerPlace;
  readonly a: number;
  readonly b: number;
  readonly slopes: (nx: number, ny: number, along: number, across: number) => readonly number[];
};

function edgesOf({ outline, place }: Hole): readonly Piece[] {
  const onFace = (x: number, y: number): LayerPlace => {
    const [dx, dy] = fromPlate(place, x, y);
    return { xMm: place.xMm + dx, yMm: place.yMm + dy, angleRad: place.angleRad };
  };
  switch (outline.kind) {
    case 'circle':
      return [
        {
          at: place,
          a: outline.diameter / 2,
          b: outline.diameter / 2,
          slopes: (_nx, _ny, along, across) => [(along + across) / 2],
        },
      ];
    case 'oval':
      return [
        {
          at: place,
          a: outline.length / 2,
          b: outline.width / 2,
          slopes: (_nx, _ny, along, across) => [along / 2, across / 2],
        },
      ];
    case 'roundedRectangle': {
      const r = Math.min(outline.cornerRadiusMm, outline.length / 2, outline.width / 2);
      const [x, y] = [outline.length / 2 - r, outline.width / 2 - r];
      const signs = [
        [1, 1],
        [-1, 1],
        [-1, -1],
        [1, -1],
      ] as const;
      return signs.map(([sx, sy]) => ({
        at: onFace(sx * x, sy * y),
        a: r,
        b: r,
        slopes: (nx: number, ny: number) => [-(sx * nx) / 2, -(sy * ny) / 2],
      }));
    }
    case 'polygon':
      return polygonPoints(outline).map(([x, y]) => ({ at: onFace(x, y), a: 0, b: 0, slopes: () => [-1] }));
  }
}
