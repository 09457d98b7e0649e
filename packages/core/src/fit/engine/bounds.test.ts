/**
 * What the engine takes for granted so as not to work it out: every bound against the margins themselves, for all stacks
 * of a catalogue in openings of different kinds. A bound that is broken anywhere would let a wrong answer stand.
 */
import { describe, expect, test } from '@jest/globals';
import { LARGE_RULES, largeCatalogue, largeVehicle } from '../../testing/largeCatalogue';
import type { Dimension } from '../../uncertainty/Dimension';
import type { FitOpening } from '../shapes';
import { CatalogueIndex } from './CatalogueIndex';
import type { ClassMount } from './ClassMount';
import { type MarginMm, newMargin } from './MarginMm';
import { MountIndex } from './MountIndex';
import { OpeningFacts } from './OpeningFacts';
import type { Raise } from './Raise';
import { CHECK_AT } from './Scratch';
import { type BoundsMm, StackMargins } from './StackMargins';

const index = new CatalogueIndex(largeCatalogue({ speakers: 500, brackets: 160, seed: 21 }));
const mountIndex = new MountIndex(index, LARGE_RULES);
const [frontDoor, , rearDoor, , dash, , , kick] = largeVehicle() as FitOpening[];
const ROUNDING_MM = 1e-7;
const HEIGHTS_MM = [0, 6, 18];

const moved = (dimension: Dimension, by: number) => ({ ...dimension, valueMm: dimension.valueMm + by });

/** The door as it is, and with windows that the quick bounds do not expect. */
const OPENINGS: Readonly<Record<string, FitOpening | undefined>> = {
  'front door': frontDoor,
  'rear door': rearDoor,
  'a window with its edge in the middle': frontDoor && {
    ...frontDoor,
    lowerEdge: frontDoor.lowerEdge && moved(frontDoor.lowerEdge, 55),
  },
  'a window that leans aside too': frontDoor && {
    ...frontDoor,
    depths: [
      ...frontDoor.depths,
      { key: 'depthRight', xMm: 60, yMm: 0, depth: moved(frontDoor.depths[0]?.depth as Dimension, 5) },
    ],
  },
  dash,
  'kick panel': kick,
};

type Stack = { readonly speaker: number; readonly mount: ClassMount; readonly raisedMm: number };

function atWork(opening: FitOpening) {
  const facts = new OpeningFacts(index, LARGE_RULES, mountIndex);
  facts.takeOver(opening);
  const margins = new StackMargins(index, LARGE_RULES, facts);
  margins.setOpening(opening);
  return { facts, margins };
}

function everyStack(facts: OpeningFacts, of: (stack: Stack) => void): void {
  for (let speaker = 0; speaker < index.speakers.length; speaker++) {
    facts.mountsOf(speaker).forEach((mount, at) => {
      if (at > 4) return;
      for (const height of HEIGHTS_MM) of({ speaker, mount, raisedMm: mount.raisedMm + height });
    });
  }
}

const raiseOf = ({ raisedVariance, raisedFourth }: ClassMount, mm: number): Raise => ({
  mm,
  variance: raisedVariance,
  fourth: raisedFourth,
});

/** What is wrong, in words, so that a failure says where. */
function wrong(isRight: boolean, what: string, { speaker, mount, raisedMm }: Stack, figures: object): string[] {
  if (isRight) return [];
  return [
    `${what}: ${index.speakers[speaker]?.id} ${mount.idsWith(null)} at ${raisedMm} mm, ${JSON.stringify(figures)}`,
  ];
}

describe.each(Object.entries(OPENINGS))('%s', (_, opening) => {
  if (!opening) throw new Error('expected an opening');

  test('margins lie between their bounds, and intervals are no wider than theirs', () => {
    const { facts, margins } = atWork(opening);
    const out: MarginMm = newMargin();
    const bounds: BoundsMm = { lowerMm: 0, upperMm: 0 };
    const faults: string[] = [];
    let [short, asked] = [0, 0];
    everyStack(facts, (stack) => {
      const { speaker, mount, raisedMm } = stack;
      const raise = raiseOf(mount, raisedMm);
      const inBounds = () => bounds.lowerMm - ROUNDING_MM <= out.value && out.value <= bounds.upperMm + ROUNDING_MM;
      const isNarrow = (check: number, isShort: boolean) =>
        out.expanded <= margins.widestMm(check, speaker, isShort) + ROUNDING_MM;
      asked++;
      margins.depth(out, speaker, mount, raise);
      margins.depthBounds(bounds, speaker, mount, raise);
      faults.push(...wrong(inBounds(), 'depth', stack, { ...out, ...bounds }));
      const belowMm = margins.heightForDepthMm(speaker, mount, out.value);
      faults.push(...wrong(belowMm <= raisedMm + ROUNDING_MM, 'height', stack, { belowMm }));
      if (out.value <= 0) short++;
      faults.push(...wrong(isNarrow(CHECK_AT.depth, out.value <= 0), 'depth interval', stack, out));
      if (margins.hasRods) {
        margins.obstacles(out, speaker, mount, raise);
        margins.obstaclesBounds(bounds, speaker, mount, raise);
        faults.push(...wrong(inBounds(), 'obstacles', stack, { ...out, ...bounds }));
        faults.push(...wrong(isNarrow(CHECK_AT.obstacles, false), 'obstacles interval', stack, out));
      }
      margins.hole.holes(out, speaker, mount, null, raise);
      const isAslant = raisedMm >= index.row.fullWidthTo(speaker);
      if (out.value < Number.POSITIVE_INFINITY)
        faults.push(...wrong(isNarrow(CHECK_AT.hole, !isAslant), 'hole interval', stack, out));
    });
    expect(faults.slice(0, 5)).toEqual([]);
    expect(short).toBeGreaterThan(asked / 50);
  });
});
