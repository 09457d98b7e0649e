/**
 * Lies flat: a weld bead, a stud or an old nut that stands proud around the hole keeps a plate off the metal. It has to lie beside
 * the plate, in the plate's own hole, or under a plate that stands higher than it is tall; that of the three which leaves most room
 * counts, at each plate of the stack and at the flange. Around each of its screws a plate has an ear, within its outline or beyond it.
 * A ring that is cut to suit is cut round it.
 *
 * What nobody looked for is seen when the plate is held up, and stays open until then.
 */
import { ellipseDistance, halfExtentsMm, type OutlineMm } from '../../../geometry';
import type { LengthUnit } from '../../../units';
import { printLength } from '../../../units';
import { type LayerShape, mustMm } from '../../layout/LayerShape';
import { fromPlate } from '../../layout/plates';
import { LAYER, layerAt, SPEAKER } from '../../layout/slots';
import type { View } from '../../layout/View';
import type { LayerPlace } from '../../mates/placements';
import type { ProudThing } from '../../shapes';
import type { CheckKind, Told } from '../CheckKind';
import type { Gaps } from '../Gaps';
import { addMoves, onFace, screwSlot, screwsThrough } from '../screwPlaces';

/** Tags: a thing, and a plate of the stack; the flange after all of them. */
const PLATES = 8;
const NONE_THERE = 1000;
const NOT_LOOKED = 1001;
const ALL_MADE = 1002;
const OFF_FACE = 1003;

export const liesFlat: CheckKind = {
  askedAt: 11,
  mostSides: 2,
  dependsOnTurn: () => true,
  setsHeight: null,
  ask(view, gaps) {
    const { proud, proudLooked } = view.opening.opening;
    askFace(view, gaps);
    proud.forEach((thing, at) => {
      for (let plate = 0; plate <= view.layers.length; plate++) {
        const way = mostRoom(view, thing, plate);
        if (!way) continue;
        way.add();
        gaps.offer(way.roomMm, at * PLATES + plate);
      }
    });
    if (proud.length === 0) {
      if (proudLooked && !gaps.hasMargin) gaps.fact('clears', NONE_THERE);
      else if (proudLooked) return;
      else gaps.notLooked('arrival', NOT_LOOKED);
    } else if (!gaps.hasMargin) gaps.fact('clears', ALL_MADE);
    else if (!proudLooked && gaps.verdict === 'clears') gaps.notLookedFurther('arrival');
  },
  tell(view, { tag, valueMm, verdict, isJudged }, _, unit) {
    if (tag === NONE_THERE)
      return { sentence: 'Somebody looked: nothing stands proud around the hole.', nearest: null };
    if (tag === NOT_LOOKED)
      return {
        sentence:
          'Nobody has looked whether a bead, a stud or an old nut stands proud around the hole: a straight edge laid across tells, at the latest when the plate is here.',
        nearest: null,
      };
    if (tag === OFF_FACE)
      return {
        sentence:
          valueMm >= 0
            ? `The face is ${printLength(valueMm, unit)} wider than the flange, all round.`
            : `The flange stands ${printLength(-valueMm, unit)} over the edge of the face: a larger face, or a smaller flange.`,
        nearest: null,
      };
    if (tag === ALL_MADE) return { sentence: 'The ring is cut round what stands proud.', nearest: null };
    const told = words(view, tag, valueMm, verdict === 'measure' && isJudged, unit);
    return isJudged ? told : { ...told, sentence: `${told.sentence} Nobody has looked for more of its kind.` };
  },
};

/** On a face that the shop makes the flange has to lie whole: about its middle, where it is mounted. */
function askFace(view: View, gaps: Gaps): void {
  const { made } = view.opening.opening;
  const [lowest] = view.layers;
  if (!made || lowest?.isMade) return;
  const outline = lowest ? lowest.outer : mustMm(view.speaker.speaker.flange);
  const slot = lowest ? layerAt(0) + LAYER.outerLength : SPEAKER.flangeLength;
  const { x, y } = halfExtentsMm(outline);
  const isWider = y > x && outline.kind !== 'circle';
  view.doubts.add(view.opening.slotOf('made.face'), 0.5);
  view.doubts.add(slot + (isWider ? 1 : 0), -0.5);
  gaps.offer(made.face.valueMm / 2 - Math.max(x, y), OFF_FACE);
}

type Way = {
  readonly kind: 'beside' | 'inside' | 'under';
  readonly roomMm: number;
  /** What the room depends on. */
  readonly add: () => void;
};

/** The best of the ways past one plate; null where it is cut to suit. */
function mostRoom(view: View, thing: ProudThing, plate: number): Way | null {
  const layer = view.layers[plate];
  if (layer?.isMade) return null;
  const ways = [
    under(view, thing, plate),
    beside(view, thing, plate, layer),
    ...(layer ? [inside(view, thing, plate, layer)] : []),
  ];
  return ways.reduce((best, each) => (each.roomMm > best.roomMm ? each : best));
}

function under(view: View, { id, height }: ProudThing, plate: number): Way {
  return {
    kind: 'under',
    roomMm: (view.belowMm[plate] as number) - height.valueMm,
    add: () => {
      view.doubts.add(view.opening.slotOf(`proud.${id}.height`), -1);
      for (let at = 0; at < plate; at++) view.doubts.add(layerAt(at) + LAYER.height, 1);
    },
  };
}

function beside(view: View, thing: ProudThing, plate: number, layer: LayerShape | undefined): Way {
  const outline = layer ? layer.outer : mustMm(view.speaker.speaker.flange);
  const slot = layer ? layerAt(plate) + LAYER.outerLength : SPEAKER.flangeLength;
  const place = layer ? view.placeOf(plate) : view.placement.at;
  const edge = offEdge(view, thing, outline, slot, place, 1);
  // A ring is held by what lies on it, and has no ears of its own.
  const ears = layer?.layer.kind === 'spacer' ? [] : offEars(view, thing, plate);
  return { kind: 'beside', ...[edge, ...ears].reduce((least, each) => (each.roomMm < least.roomMm ? each : least)) };
}

/** So much material stands around the hole of an ear, mm (common practice, no source). */
const EAR_WALL_MM = 3;

/** How far the thing lies off each ear of a plate, which stand where its screws land. */
function offEars(
  view: View,
  { id, xMm, yMm, diameterMm, placeX, placeY }: ProudThing,
  plate: number,
): readonly Omit<Way, 'kind'>[] {
  const { joint, place } = screwsThrough(view, plate);
  const at = view.joints[joint];
  const turn = view.placement.turns[joint]?.turn;
  if (!at || !turn) return [];
  const earMm = at.holeSide.holeDiameterMm / 2 + EAR_WALL_MM;
  return at.screws.flatMap((screw, which): readonly Omit<Way, 'kind'>[] => {
    if ((turn.misalignmentsMm[which] as number) > at.playMm) return [];
    const [x, y] = onFace(place, screw);
    const [dx, dy] = [xMm + placeX.valueMm - x, yMm + placeY.valueMm - y];
    const apartMm = Math.hypot(dx, dy);
    const [nx, ny] = apartMm > 0 ? [dx / apartMm, dy / apartMm] : [1, 0];
    return [
      {
        roomMm: apartMm - earMm - diameterMm / 2,
        add: () => {
          view.doubts.add(view.opening.slotOf(`proud.${id}.placeX`), nx);
          view.doubts.add(view.opening.slotOf(`proud.${id}.placeY`), ny);
          addMoves(view, screwSlot(view, joint), at.screwMoves, which, place, -nx, -ny);
        },
      },
    ];
  });
}

/** In the plate's own hole there is the basket too. */
function inside(view: View, thing: ProudThing, plate: number, layer: LayerShape): Way {
  const slot = layerAt(plate) + LAYER.innerLength;
  const { basket } = view.speaker.speaker;
  const off = [
    offEdge(view, thing, layer.inner, slot, view.placeOf(plate), -1),
    offEdge(view, thing, mustMm(basket), SPEAKER.basketLength, view.placement.at, 1),
  ];
  return { kind: 'inside', ...off.reduce((least, each) => (each.roomMm < least.roomMm ? each : least)) };
}

/** How far the thing lies off a plate's edge, outside of it with 1, inside with −1. */
function offEdge(
  view: View,
  { id, xMm, yMm, diameterMm, placeX, placeY }: ProudThing,
  outline: OutlineMm,
  firstSlot: number,
  place: LayerPlace,
  side: 1 | -1,
): Omit<Way, 'kind'> {
  const { x: halfLengthMm, y: halfWidthMm } = halfExtentsMm(outline);
  const [x, y] = [xMm + placeX.valueMm, yMm + placeY.valueMm];
  const { distanceMm, nx, ny } = ellipseDistance({ ...place, halfLengthMm, halfWidthMm }, x, y);
  return {
    roomMm: side * distanceMm - diameterMm / 2,
    add: () => {
      const { doubts, opening } = view;
      doubts.add(opening.slotOf(`proud.${id}.placeX`), side * nx);
      doubts.add(opening.slotOf(`proud.${id}.placeY`), side * ny);
      // In the plate's own frame: where its edge is nearest, and which way it faces there.
      const back = { ...place, angleRad: -place.angleRad };
      const [nu, nv] = fromPlate(back, nx, ny);
      const [u, v] = fromPlate(back, x - distanceMm * nx - place.xMm, y - distanceMm * ny - place.yMm);
      const along = (nu * u) / halfLengthMm / 2;
      const across = (nv * v) / halfWidthMm / 2;
      if (outline.kind === 'circle') doubts.add(firstSlot, -side * (along + across));
      else {
        doubts.add(firstSlot, -side * along);
        doubts.add(firstSlot + 1, -side * across);
      }
    },
  };
}

function words(view: View, tag: number, roomMm: number, isClose: boolean, unit: LengthUnit): Told {
  const thing = view.opening.opening.proud[Math.floor(tag / PLATES)];
  const plate = tag % PLATES;
  const way = thing && mostRoom(view, thing, plate);
  if (!thing || !way) throw new Error('liesFlat: expected the thing that decides');
  const { label, height, xMm, yMm } = thing;
  const layer = view.layers[plate];
  const part = layer ? (layer.layer.kind === 'bracket' ? 'bracket' : 'ring') : 'flange';
  const tall = printLength(height.valueMm, unit);
  const mm = printLength(Math.abs(roomMm), unit);
  const belowMm = view.belowMm[plate] as number;
  const nearest = {
    onPart: [xMm, yMm, -belowMm] as const,
    onOther: [xMm, yMm, -height.valueMm] as const,
    askedMm: 0,
  };
  if (roomMm < 0)
    return {
      sentence: `The ${part} does not lie flat: the ${label} stands ${tall} proud and reaches ${mm} ${way.kind === 'under' ? 'above its underside' : 'under its edge'}. Grind it off, cut the ${part} out there, or take a ring under it.`,
      nearest,
    };
  const close = isClose ? ', too close to call' : '';
  const where = { beside: 'beside', inside: 'in the middle of', under: 'under' }[way.kind];
  return { sentence: `The ${label}, ${tall} proud, lies ${where} the ${part} with ${mm} to spare${close}.`, nearest };
}
