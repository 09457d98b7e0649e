/**
 * Doors of all kinds against densely sampled surfaces: holes of every outline with tabs, bores, leaning and bending glass that ends,
 * beams and boxes that lie anyhow, terminals and plugs, brackets, rings, and what stands proud. No margin is more than the points leave,
 * and none is less by more than their spacing.
 */
import { expect, test } from '@jest/globals';
import { mapOutline, outlineMm } from '../geometry/Outline';
import { seededRandom } from '../math/seededRandom';
import {
  bodySurfaces,
  boxSurfaces,
  type DenseSheet,
  EDGE_STEPS,
  edgePoints,
  type Flat,
  insideMm,
  leastAlong,
  leastOver,
  type Point,
  type Stand,
  type Surface,
  sectionPoints,
  toObstacleMm,
  toSheetMm,
} from '../testing/denseSamples';
import { fuzzed, fuzzedFrom } from '../testing/fuzzed';
import { bracket, candidate, circlePattern, exact, opening, RULES, spacer, speaker } from '../testing/shapes';
import type { Check, CheckId } from './Check';
import type { Judgement } from './Judgement';
import { judgeCandidate } from './judgeCandidate';
import type { BodyBox, Candidate, FitObstacle, FitOpening, FitSpeaker, ProudThing } from './shapes';

const DOORS = fuzzed(100).numRuns;
/** What sampling may add to a gap, mm. */
const SPACING_MM = 0.1;
/** An edge of chords lies inside its curve by no more, mm. */
const EXACT_MM = 0.01;
const random = seededRandom(fuzzedFrom(77));
const between = (low: number, high: number) => low + (high - low) * random();
const chance = (share: number) => random() < share;
const { clearancesMm } = RULES;

function anyHole(): FitOpening['hole'] {
  const kind = Math.floor(random() * 4);
  if (kind === 0) return { kind: 'circle', diameter: exact(between(138, 160)) };
  if (kind === 1) return { kind: 'oval', length: exact(between(150, 180)), width: exact(between(138, 150)) };
  if (kind === 2)
    return {
      kind: 'roundedRectangle',
      length: exact(between(150, 170)),
      width: exact(between(140, 150)),
      cornerRadiusMm: between(20, 60),
    };
  return { kind: 'polygon', edgeOffset: exact(0), corners: tabbed() };
}

/** Round, with two tabs that stand into it. */
function tabbed() {
  const radius = between(72, 82);
  const tabs = [between(0.3, 2.5), between(3.4, 5.8)];
  const corner = (r: number, t: number) => ({ xMm: r * Math.cos(t), yMm: r * Math.sin(t), bulgeMm: 0 });
  return Array.from({ length: 120 }, (_, at) => (2 * Math.PI * at) / 120).flatMap((t) =>
    tabs.some((tab) => Math.abs(t - tab) < 0.03)
      ? [corner(radius, t - 0.02), corner(radius - between(3, 9), t), corner(radius, t + 0.02)]
      : [corner(radius, t)],
  );
}

function anyObstacle(at: number): FitObstacle {
  const shape = chance(0.5)
    ? { kind: 'rod' as const, diameterMm: between(6, 40) }
    : { kind: 'box' as const, lengthMm: between(40, 300), widthMm: between(20, 60), thicknessMm: between(5, 40) };
  return {
    id: `thing-${at}`,
    label: `thing ${at}`,
    kind: (['beam', 'wiring', 'skin', 'soft'] as const)[Math.floor(random() * 4)] ?? 'beam',
    xMm: between(-110, 110),
    yMm: between(-110, 110),
    depth: exact(between(25, 90)),
    placeX: exact(0),
    placeY: exact(0),
    angleRad: between(0, Math.PI),
    tiltRad: between(-0.5, 0.5),
    givesMm: between(0, 6),
    shape,
  };
}

function anyProud(at: number): ProudThing {
  const [t, r] = [between(0, 6.28), between(72, 105)];
  return {
    id: `stud-${at}`,
    label: `stud ${at}`,
    xMm: r * Math.cos(t),
    yMm: r * Math.sin(t),
    placeX: exact(0),
    placeY: exact(0),
    diameterMm: between(4, 14),
    height: exact(between(1, 14)),
  };
}

function anyBox(): BodyBox {
  const innerMm = between(35, 55);
  const fromMm = between(8, 40);
  return {
    label: 'plug',
    live: chance(0.5),
    angleRad: between(0, 6.28),
    innerMm,
    outerMm: innerMm + between(8, 26),
    widthMm: between(6, 30),
    fromMm,
    toMm: fromMm + between(2, 14),
  };
}

function anyDoor(): { readonly at: FitOpening; readonly sheet: DenseSheet } {
  const edgeMm = chance(0.3) ? between(-60, 20) : null;
  const [c0, c1, c2, c3] = [between(48, 85), between(-0.1, 0.1), between(-0.25, 0.1), between(-6e-4, 3e-4)];
  const below = { key: 'depth1', xMm: 0, yMm: -200, depth: exact(400) };
  const at = opening({
    hole: anyHole(),
    holeRad: between(-0.6, 0.6),
    depths: [
      { key: 'depthBehind', xMm: 0, yMm: 100, depth: exact(c0 + 100 * c2 + 1e4 * c3) },
      ...(edgeMm === null ? [] : [below]),
    ],
    sheet: { sideLean: exact(c1), lean: exact(c2), curvature: exact(c3) },
    lowerEdge: edgeMm === null ? null : exact(edgeMm),
    obstacles: Array.from({ length: Math.floor(random() * 4) }, (_, each) => anyObstacle(each)),
    proud: Array.from({ length: Math.floor(random() * 3) }, (_, each) => anyProud(each)),
    bore: chance(0.3) ? { depth: exact(between(10, 50)), inside: exact(between(136, 156)) } : null,
    material: chance(0.5) ? 'sheetSteel' : 'plastic',
  });
  return { at, sheet: { c0, c1, c2, c3, edgeMm } };
}

function anyCandidate(): Candidate {
  const oval = between(0, 8);
  const [wide, waist, magnet] = [between(128, 142), between(90, 130), between(70, 100)];
  const section = (depthMm: number, lengthMm: number) => ({ depthMm, lengthMm, widthMm: lengthMm - oval });
  const [shoulder, neck, end] = [between(8, 20), between(24, 40), between(44, 70)];
  const what = speaker({
    profile: [
      section(0, wide),
      section(shoulder, wide),
      section(neck, waist),
      section(end - 4, magnet),
      section(end, magnet),
    ],
    basket: { kind: 'oval', length: exact(wide), width: exact(wide - oval) },
    flange: { kind: 'circle', diameter: exact(between(158, 172)) },
    mountingDepth: exact(end),
    boxes: Array.from({ length: Math.floor(random() * 3) }, anyBox),
    // The screws of its box are taken to be all there: what they do has a test of its own.
    bolts: circlePattern(4, exact(156), 5),
  });
  const plate = bracket({
    height: exact(between(3, 14)),
    throat: { kind: 'circle', diameter: exact(between(140, 150)) },
    plate: { kind: 'circle', diameter: exact(between(166, 190)) },
  });
  const ring = spacer(between(3, 14), {
    inner: { kind: 'circle', diameter: exact(between(143, 152)) },
    outer: { kind: 'circle', diameter: exact(between(165, 185)) },
  });
  return candidate({ speaker: what, layers: [...(chance(0.4) ? [ring] : []), ...(chance(0.4) ? [plate] : [])] });
}

/** The least that the points leave, after the clearance; null where nothing is asked. */
type Least = number | null;

/** Holds a margin against the points: of what hits, that both say so. */
function hold(door: number, id: CheckId, check: Check, least: Least, clearance: number): boolean {
  const name = [door, id, check.sentence, check.margin?.valueMm, least];
  if (least === null || !check.margin) return false;
  const { valueMm } = check.margin;
  const isInto = least + clearance <= SPACING_MM;
  if (isInto) expect([...name, valueMm + clearance <= 2 * SPACING_MM]).toEqual([...name, true]);
  else {
    expect([...name, valueMm <= least + EXACT_MM]).toEqual([...name, true]);
    expect([...name, valueMm >= least - SPACING_MM]).toEqual([...name, true]);
  }
  return true;
}

function edgeOf({ hole, holeRad }: FitOpening): readonly Flat[] {
  const mm = outlineMm(mapOutline(hole, (length) => length));
  if (!mm) throw new Error('expected a hole with its lengths');
  const [cos, sin] = [Math.cos(holeRad), Math.sin(holeRad)];
  return edgePoints(mm).map(([x, y]) => [x * cos - y * sin, x * sin + y * cos]);
}

function holeLeast(at: FitOpening, what: Candidate, stand: Stand, boxes: readonly (readonly Surface[])[]): Least {
  let least = Number.POSITIVE_INFINITY;
  const passes = (edge: readonly Flat[], fromMm: number, asked: number) => {
    const corners = edge.length === EDGE_STEPS ? [] : edge;
    for (const section of sectionPoints(what.speaker, stand, fromMm)) {
      least = leastAlong(section, (x, y) => insideMm(edge, x, y) - asked, least);
      // The tip of a tab may point between two places of a section, or into it.
      least = leastAlong(corners, (x, y) => -insideMm(section, x, y) - asked, least);
    }
  };
  passes(edgeOf(at), 0, clearancesMm.hole);
  if (at.bore) {
    const edge = edgePoints({ kind: 'circle', diameter: at.bore.inside.valueMm });
    passes(edge, 0, clearancesMm.hole);
    for (const box of boxes) {
      const z = (sign: number) => sign * leastOf(box, ([, , deep]) => sign * deep);
      if (z(1) < at.bore.depth.valueMm && z(-1) > 0)
        least = Math.min(least, leastOf(box, ([x, y]) => insideMm(edge, x, y)) - clearancesMm.hole);
    }
  }
  let top = 0;
  for (const layer of what.layers) {
    top += layer.height.valueMm;
    const throat = layer.kind === 'bracket' ? layer.throat : layer.inner;
    if (throat.kind === 'circle') passes(edgePoints({ kind: 'circle', diameter: throat.diameter.valueMm }), -top, 0);
  }
  return least === Number.POSITIVE_INFINITY ? null : least;
}

function leastOf(surfaces: readonly Surface[], distance: (point: Point) => number): number {
  return Math.min(...surfaces.map((surface) => leastOver(surface, distance)));
}

function terminalsLeast(at: FitOpening, live: readonly (readonly Surface[])[]): Least {
  const edge = edgeOf(at);
  const toEdge = ([x, y, z]: Point) => {
    const aside = insideMm(edge, x, y);
    const beyond = Math.max(-z, z - at.wallMm, 0);
    if (aside > 0) return Math.hypot(aside, beyond);
    return beyond > 0 ? beyond : aside;
  };
  const metal = at.obstacles.filter(({ kind }) => kind !== 'wiring' && kind !== 'soft');
  const gaps = live.flatMap((box) => [
    ...(at.material === 'sheetSteel' ? [leastOf(box, toEdge)] : []),
    ...metal.map((each) => leastOf(box, (point) => toObstacleMm(each, point))),
  ]);
  return gaps.length > 0 ? Math.min(...gaps) - clearancesMm.terminal : null;
}

const EAR_MM = 5 / 2 + 3;

/** Whether any place of it lies under a plate that stands lower than it is tall, or in the way of the basket. */
function isUnderPlate(
  { xMm, yMm, diameterMm, height }: ProudThing,
  { speaker: what, layers }: Candidate,
  stand: Stand,
): boolean {
  const places = Array.from({ length: 9 }, (_, ring) => (diameterMm / 2) * (ring / 8)).flatMap((r) =>
    Array.from({ length: 90 }, (_, at): Flat => {
      const t = (2 * Math.PI * at) / 90;
      return [xMm + r * Math.cos(t), yMm + r * Math.sin(t)];
    }),
  );
  const isIn = (mm: number, [x, y]: Flat) => Math.hypot(x, y) < mm / 2;
  const round = (outline: FitSpeaker['flange']) => (outline.kind === 'circle' ? outline.diameter.valueMm : 0);
  const plates = [
    ...layers.map((layer) =>
      layer.kind === 'bracket' ? ([layer.plate, layer.throat] as const) : ([layer.outer, layer.inner] as const),
    ),
    [what.flange, null] as const,
  ];
  // Every pattern of these doors is four screws on a circle of 156, the first at 45°, under holes of 5.
  const ears = [1, 3, 5, 7].map(
    (each): Flat => [78 * Math.cos((each * Math.PI) / 4), 78 * Math.sin((each * Math.PI) / 4)],
  );
  const ringAt = layers.findIndex(({ kind }) => kind === 'spacer');
  let below = 0;
  return plates.some(([outer, inner], at) => {
    const isTaller = height.valueMm > below;
    below += layers[at]?.height.valueMm ?? 0;
    if (!isTaller) return false;
    const isOnEar = (place: Flat) =>
      at !== ringAt && ears.some(([x, y]) => Math.hypot(place[0] - x, place[1] - y) < EAR_MM);
    const isOutside = places.every((place) => !isIn(round(outer), place) && !isOnEar(place));
    const isInside =
      inner !== null && places.every((place) => isIn(round(inner), place) && !isInBasket(what, stand, place));
    return !isOutside && !isInside;
  });
}

function isInBasket({ basket }: FitSpeaker, { xMm, yMm, angleRad }: Stand, [x, y]: Flat): boolean {
  if (basket.kind !== 'oval') throw new Error('expected an oval basket');
  const [cos, sin] = [Math.cos(angleRad), Math.sin(angleRad)];
  const [u, v] = [(x - xMm) * cos + (y - yMm) * sin, (y - yMm) * cos - (x - xMm) * sin];
  return ((2 * u) / basket.length.valueMm) ** 2 + ((2 * v) / basket.width.valueMm) ** 2 < 1;
}

const askedOf = ({ kind, givesMm }: FitObstacle) =>
  kind === 'soft' ? -givesMm : kind === 'wiring' ? clearancesMm.wiring : clearancesMm.metal;

test(`no margin is more than densely sampled surfaces leave, in ${DOORS} doors of all kinds`, () => {
  const seen = new Map<CheckId, number>();
  for (let door = 0; door < DOORS; door++) {
    const { at, sheet } = anyDoor();
    const what = anyCandidate();
    const judged: Judgement = judgeCandidate(at, what, [], RULES);
    const stand = judged.mount.pose;
    const boxes = what.speaker.boxes.map((box) => boxSurfaces(box, stand));
    const all = [...bodySurfaces(what.speaker, stand), ...boxes.flat()];
    const checkOf = (id: CheckId) => judged.checks.find((check) => check.id === id) as Check;
    const note = (id: CheckId, least: Least, clearance: number) => {
      if (hold(door, id, checkOf(id), least, clearance)) seen.set(id, (seen.get(id) ?? 0) + 1);
    };
    note('hole', holeLeast(at, what, stand, boxes), clearancesMm.hole);
    const toSheet = leastOf(all, (point) => toSheetMm(sheet, point));
    note('depth', Math.min(toSheet, 400) - clearancesMm.glass, clearancesMm.glass);
    const ofObstacles = at.obstacles.map((each) => ({
      asked: askedOf(each),
      gapMm: leastOf(all, (point) => toObstacleMm(each, point)),
    }));
    // How deep what is soft is pressed in has no one answer; that it is, has.
    if (ofObstacles.length > 0 && ofObstacles.every(({ gapMm }) => gapMm > SPACING_MM))
      note('obstacles', Math.min(...ofObstacles.map(({ asked, gapMm }) => gapMm - asked)), Number.POSITIVE_INFINITY);
    note(
      'terminals',
      terminalsLeast(
        at,
        boxes.filter((_, box) => what.speaker.boxes[box]?.live),
      ),
      clearancesMm.terminal,
    );
    if (at.proud.length > 0) {
      const margin = checkOf('liesFlat').margin?.valueMm ?? null;
      const collides = at.proud.some((thing) => isUnderPlate(thing, what, stand));
      if (margin !== null && Math.abs(margin) > SPACING_MM) {
        expect([door, margin < 0, margin]).toEqual([door, collides, margin]);
        seen.set('liesFlat', (seen.get('liesFlat') ?? 0) + 1);
      }
    }
  }
  for (const id of ['hole', 'depth', 'obstacles', 'terminals', 'liesFlat'] as const)
    expect([id, (seen.get(id) ?? 0) > 0.16 * DOORS]).toEqual([id, true]);
});
