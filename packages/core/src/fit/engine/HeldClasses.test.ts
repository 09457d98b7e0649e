/** Which answers may stand when screws move: those of chains that are as they were, and none once anything else changed. */
import { describe, expect, test } from '@jest/globals';
import { LARGE_RULES, largeCatalogue, largeVehicle } from '../../testing/largeCatalogue';
import type { FitOpening } from '../shapes';
import { CatalogueIndex } from './CatalogueIndex';
import { HeldClasses } from './HeldClasses';
import { MountIndex } from './MountIndex';
import { OpeningFacts } from './OpeningFacts';

const index = new CatalogueIndex(largeCatalogue({ speakers: 600, brackets: 200, seed: 8 }));
const mountIndex = new MountIndex(index, LARGE_RULES);
const [door] = largeVehicle() as [FitOpening];

function screwsMoved(byMm: number): FitOpening {
  const { bolts } = door;
  if (bolts?.shape.kind !== 'circle') throw new Error('expected screws on a circle');
  const { diameter } = bolts.shape;
  const moved = { ...diameter, valueMm: diameter.valueMm + byMm };
  return { ...door, bolts: { ...bolts, shape: { ...bolts.shape, diameter: moved } } };
}

function factsOf(opening: FitOpening): OpeningFacts {
  const facts = new OpeningFacts(index, LARGE_RULES, mountIndex);
  facts.takeOver(opening);
  return facts;
}

/** The answers for the door are there. */
function afterDoor(): HeldClasses {
  const held = new HeldClasses();
  held.since(door, factsOf(door));
  held.keep(factsOf(door));
  return held;
}

/** The classes that are held when the door becomes another opening. */
function heldFor(opening: FitOpening): readonly number[] {
  return Array.from(afterDoor().since(opening, factsOf(opening)), (each, at) => (each === 1 ? at : -1)).filter(
    (at) => at >= 0,
  );
}

/** Of each class its chains, how they are turned and how sure their bolts are, in words; '' where nothing mates. */
function chainsOf(opening: FitOpening): readonly string[] {
  const { mounts } = factsOf(opening);
  return index.speakerClasses.map((_, speakerClass) =>
    mounts.isHopeless[speakerClass] === 1
      ? ''
      : mounts
          .list(speakerClass)
          .map((mount) => {
            const { bolts, wireWay, pose } = mount;
            const gravity = Math.max(bolts.gravity, wireWay.gravity);
            return [mount.idsWith(null), gravity, pose.angleRad, pose.xMm, pose.yMm].join();
          })
          .join(' | '),
  );
}

describe('HeldClasses', () => {
  test.each([0.05, 0.6, -1.5, 4, -30])('screws moved by %s mm: what is held is what stands as it stood', (byMm) => {
    const [before, after] = [chainsOf(door), chainsOf(screwsMoved(byMm))];
    const alike = before.flatMap((chains, at) => (chains !== '' && chains === after[at] ? [at] : []));
    expect(heldFor(screwsMoved(byMm))).toEqual(alike);
    // The small steps leave most as they were, the great ones nothing.
    if (Math.abs(byMm) < 0.1) expect(alike.length).toBeGreaterThan(index.speakerClasses.length / 3);
    if (Math.abs(byMm) > 20) expect(alike).toEqual([]);
  });

  test('nothing is held once anything but the screws has changed', () => {
    expect(heldFor(door).length).toBeGreaterThan(0);
    expect(heldFor({ ...door, plugRad: (door.plugRad ?? 0) + 0.1 })).toEqual([]);
    expect(heldFor({ ...door, frontGap: null })).toEqual([]);
    expect(heldFor({ ...screwsMoved(0.05), secondPlug: 'warning' })).toEqual([]);
    expect(heldFor({ ...door, bolts: null })).toEqual([]);
  });

  test('nothing is held where a ring holds the screws no more, or is not on the list', () => {
    const { mounts, spacers } = factsOf(door);
    const ring = spacers.find(({ spacer }) => !spacer.made);
    if (!ring) throw new Error('expected a ring that is bought');
    const others = spacers.filter((each) => each !== ring);
    const unsure = { ...ring, ringValue: 0, ringExpanded: 0.2 };
    const count = (changed: typeof spacers) =>
      afterDoor().since(door, { mounts, spacers: changed }).filter(Boolean).length;
    expect(count(spacers)).toBeGreaterThan(0);
    expect(count(others)).toBe(0);
    expect(count(spacers.map((each) => (each === ring ? unsure : each)))).toBe(0);
  });

  test('what is about to be written over is not held until it has been', () => {
    const held = afterDoor();
    expect(held.since(door, factsOf(door)).some(Boolean)).toBe(true);
    expect(held.since(door, factsOf(door)).some(Boolean)).toBe(false);
    held.keep(factsOf(door));
    expect(held.since(door, factsOf(door)).some(Boolean)).toBe(true);
  });
});
