/** An opening and a candidate as they are once the work by hand is done: shapes like any others, judged like any others. */
import { mapOutline, mapPartOutline, patternDimensions, patternHoles } from '../../geometry';
import { assertNever, fail, ok, type Result } from '../../result';
import type { Dimension } from '../../uncertainty';
import type { BodyBox, Candidate, FitLayer, FitOpening, FitRules } from '../shapes';
import { canBeDrilled } from './metal';
import { plateFrom } from './ownPlate';
import { SHORTEST_LUG_MM, THINNEST_MM, type Work } from './Work';

export type Worked = { readonly opening: FitOpening; readonly candidate: Candidate };

/**
 * @param works in the order in which they are done
 * @returns why one of them cannot be done to these, in a sentence
 */
export function withWork(
  opening: FitOpening,
  candidate: Candidate,
  works: readonly Work[],
  rules: FitRules,
): Result<Worked, string> {
  let worked: Worked = { opening, candidate };
  for (const work of works) {
    const next = done(worked, work, rules);
    if (!next.ok) return next;
    worked = next.value;
  }
  return ok(worked);
}

function done(worked: Worked, work: Work, rules: FitRules): Result<Worked, string> {
  const { opening, candidate } = worked;
  switch (work.kind) {
    case 'cutNotch':
      return newNotches(worked, work.notchesRad);
    case 'cutCloth':
      return ok({ ...worked, opening: withoutCloth(opening) });
    case 'thinRing':
      return thinned(worked, work.byMm);
    case 'fileThroat':
      return withLayers(worked, (layer) =>
        layer.kind === 'bracket'
          ? { ...layer, throat: mapPartOutline(layer.throat, (length) => grown(length, 2 * work.byMm)) }
          : layer,
      );
    case 'fileHole':
      return ok({
        ...worked,
        opening: {
          ...opening,
          hole: mapOutline(
            opening.hole,
            (length, ending) => length && grown(length, ending === 'EdgeOffset' ? work.byMm : 2 * work.byMm),
          ),
        },
      });
    case 'bendLugs':
      return withLugs(worked, bent);
    case 'cutLugs':
      return withLugs(worked, (box) => ({
        ...box,
        outerMm: Math.max(Math.min(box.outerMm, box.innerMm + SHORTEST_LUG_MM), box.outerMm - work.byMm),
      }));
    case 'drill':
      return drilled(worked, work);
    case 'grind':
      return ok({
        ...worked,
        opening: { ...opening, proud: opening.proud.filter(({ id }) => !work.ids.includes(id)) },
      });
    case 'cutPlate': {
      if (candidate.layers.length > 0) return fail('A plate of one’s own is cut for the bare speaker.');
      const plate = plateFrom(opening, candidate.speaker, work, rules);
      return plate ? ok({ opening, candidate: { ...candidate, layers: [plate] } }) : fail(noPlate(work.thicknessMm));
    }
    default:
      return assertNever(work);
  }
}

function noPlate(thicknessMm: number): string {
  return `The plate is cut from ${thicknessMm} mm sheet, which the shop has no more, or it would lose a wall by what is measured now.`;
}

function withLayers(worked: Worked, of: (layer: FitLayer) => FitLayer): Result<Worked, string> {
  const { candidate } = worked;
  return ok({ ...worked, candidate: { ...candidate, layers: candidate.layers.map(of) } });
}

function newNotches(worked: Worked, notchesRad: readonly (number | null)[]): Result<Worked, string> {
  let bracket = -1;
  return withLayers(worked, (layer) => {
    if (layer.kind !== 'bracket') return layer;
    bracket++;
    const notchRad = notchesRad[bracket] ?? null;
    return notchRad === null ? layer : { ...layer, notchRad };
  });
}

/**
 * Where layers are noted one by one, cloth is what is called cloth. Where they are not, what lies in front is taken as the cloth
 * of a grille: nothing is asked of it where it is cut away, and the tallest part may stand a little into it.
 */
function withoutCloth(opening: FitOpening): FitOpening {
  if (opening.front.length > 0) return { ...opening, front: opening.front.filter(({ kind }) => kind !== 'cloth') };
  return { ...opening, clothIsCut: true };
}

/** The ring that can spare most; null for a stack without one. */
export function thickestRing({ layers }: Pick<Candidate, 'layers'>): FitLayer | null {
  const rings = layers.filter(({ kind }) => kind === 'spacer');
  return [...rings].sort((a, b) => b.height.valueMm - a.height.valueMm)[0] ?? null;
}

function thinned(worked: Worked, byMm: number): Result<Worked, string> {
  const thickest = thickestRing(worked.candidate);
  if (!thickest || thickest.height.valueMm - byMm < THINNEST_MM)
    return fail(`No ring of the stack can spare ${byMm} mm.`);
  return withLayers(worked, (layer) => (layer === thickest ? { ...layer, height: grown(layer.height, -byMm) } : layer));
}

function withLugs(worked: Worked, of: (box: BodyBox) => BodyBox): Result<Worked, string> {
  const { candidate } = worked;
  const { speaker } = candidate;
  if (!speaker.boxes.some(({ live }) => live)) return fail('The catalogue does not say where the terminals sit.');
  const boxes = speaker.boxes.map((box) => (box.live ? of(box) : box));
  return ok({ ...worked, candidate: { ...candidate, speaker: { ...speaker, boxes } } });
}

/** What stood out lies along the body, towards the magnet. */
function bent(box: BodyBox): BodyBox {
  const lengthMm = box.outerMm - box.innerMm;
  const thickMm = box.toMm - box.fromMm;
  return { ...box, outerMm: box.innerMm + thickMm, toMm: box.fromMm + lengthMm };
}

/**
 * New holes are drilled through the part that is held against the car, beside the old ones that go on being used. Where one of
 * those is, is as sure as the pattern's lengths were.
 */
function drilled(worked: Worked, { holes, kept }: Extract<Work, { kind: 'drill' }>): Result<Worked, string> {
  const { opening } = worked;
  const { bolts } = opening;
  if (!bolts) return fail('The car’s screws are not measured, so that nobody knows which of them are kept.');
  const old = patternHoles(bolts);
  const lost = holes.find(({ xMm, yMm }) => !canBeDrilled(opening, old, [xMm, yMm], bolts.holeDiameterMm));
  if (lost)
    return fail(
      `Where a new hole would be (${lost.xMm} mm across, ${lost.yMm} mm up) there is no metal for it by what is measured now.`,
    );
  const places = [
    ...kept.flatMap((at) => {
      const hole = old[at];
      return hole ? [{ xMm: hole.xMm, yMm: hole.yMm }] : [];
    }),
    ...holes,
  ];
  if (places.length < kept.length + holes.length) return fail('The car has fewer screws than are kept.');
  const position = placeDoubt(patternDimensions(bolts.shape).map(({ dimension }) => dimension));
  const shape = {
    kind: 'free' as const,
    holes: places.map((place) => ({ ...place, kind: 'plain' as const, slotMm: 0, slotRad: 0 })),
    position,
  };
  return ok({ ...worked, opening: { ...opening, bolts: { ...bolts, shape } } });
}

/** How far off a screw may be by the lengths of its pattern, each of which moves it by half. */
function placeDoubt(lengths: readonly Dimension[]): Dimension {
  const [first] = lengths;
  if (!first) throw new Error('placeDoubt: expected a pattern with a length');
  const { shared: _, ...rest } = first;
  const variance = lengths.reduce((sum, { uncertaintyMm, shared = [] }) => {
    const common = shared.reduce((all, error) => all + (error.by * error.uncertaintyMm) ** 2, 0);
    return sum + (uncertaintyMm ** 2 + common) / 4;
  }, 0);
  return { ...rest, valueMm: 0, uncertaintyMm: Math.sqrt(variance) };
}

function grown(length: Dimension, byMm: number): Dimension {
  return { ...length, valueMm: length.valueMm + byMm };
}
