/** The chains in columns against the chains as objects, which come from the joints and mounts of the checks. */
import { describe, expect, test } from '@jest/globals';
import { LARGE_RULES, largeCatalogue, largeVehicle } from '../../testing/largeCatalogue';
import type { FitOpening } from '../shapes';
import { chainsFor } from '../stackSearch';
import { CatalogueIndex } from './CatalogueIndex';
import { MountIndex } from './MountIndex';
import { PartMates } from './PartMates';

const catalogue = largeCatalogue({ speakers: 90, brackets: 120, seed: 6 });
const index = new CatalogueIndex(catalogue);
const mounts = new MountIndex(index, LARGE_RULES);
const [frontDoor, , rearDoor, , dash, , , kick, , , , deck] = largeVehicle() as FitOpening[];

const OPENINGS = [frontDoor, rearDoor, dash, kick, deck, frontDoor && { ...frontDoor, bolts: null }].map(
  (opening, at) => [`${at} ${opening?.label}`, opening] as const,
);

describe.each(OPENINGS)('%s', (_, opening) => {
  if (!opening) throw new Error('expected an opening');
  const columns = mounts.mountsFor(opening);

  test('figures are those of the chains', () => {
    let offset = 0;
    for (let speakerClass = 0; speakerClass < columns.classes; speakerClass++) {
      const first = columns.first[speakerClass] as number;
      columns.list(speakerClass).forEach((mount, place) => {
        const at = first + place;
        const { pose } = mount;
        const apart = mount.throats.map(({ xMm, yMm }) => Math.hypot(pose.xMm - xMm, pose.yMm - yMm));
        const radii = mount.throats.map(({ bracket: { throat } }, each) =>
          throat.kind === 'circle' ? throat.diameter.valueMm / 2 - (apart[each] as number) : Number.NaN,
        );
        expect(columns.raisedMm[at]).toBe(mount.raisedMm);
        expect(columns.raisedVariance[at]).toBeCloseTo(mount.raisedVariance, 12);
        expect(columns.parts[at]).toBe(mount.brackets.length);
        expect(columns.costMinor[at]).toBe(mount.costMinor);
        expect(columns.gravity[at]).toBe(Math.max(mount.bolts.gravity, mount.wireWay.gravity));
        expect(columns.offAxisMm[at]).toBeCloseTo(Math.hypot(pose.xMm, pose.yMm), 9);
        expect(columns.throatRadiusMm[at]).toBeCloseTo(Math.min(...radii), 9);
        if (columns.isHopeless[speakerClass] === 1)
          expect(mount.bolts.valueMm).toBeLessThanOrEqual((columns.boltsMm[at] as number) + 1e-9);
        else expect(columns.boltsMm[at]).toBe(mount.bolts.hasMargin ? mount.bolts.valueMm : Number.NaN);
        if (columns.isCentred[at] === 1) expect(Math.max(0, ...apart, Math.hypot(pose.xMm, pose.yMm))).toBe(0);
        else offset++;
      });
    }
    if (opening === frontDoor || opening === kick) expect(offset).toBeGreaterThan(0);
  });

  test('they are the chains of the plain search, fewest brackets and lowest first', () => {
    for (let speakerClass = 0; speakerClass < columns.classes; speakerClass += 4) {
      const speaker = index.speakerClasses[speakerClass]?.first;
      if (!speaker) throw new Error('expected a speaker');
      const list = columns.list(speakerClass);
      const plain = chainsFor(opening, speaker, catalogue, LARGE_RULES);
      const ids = (chains: readonly (readonly { readonly id: string }[])[]) =>
        chains.map((chain) => chain.map(({ id }) => id).join('+')).sort();
      expect(ids(list.map(({ brackets }) => brackets))).toEqual(ids(plain));
      list.forEach((mount, at) => {
        const before = list[at - 1];
        if (before?.brackets.length === mount.brackets.length)
          expect(before.raisedMm).toBeLessThanOrEqual(mount.raisedMm);
        else expect(before?.brackets.length ?? -1).toBeLessThan(mount.brackets.length);
        expect(list[mount.lastAlike]?.brackets.length).toBe(mount.brackets.length);
        expect(list[mount.lastAlike + 1]?.brackets.length).not.toBe(mount.brackets.length);
      });
    }
  });
});

test('openings with the same screws share their chains, and indexes their knowledge of parts', () => {
  if (!frontDoor) throw new Error('expected a door');
  expect(mounts.mountsFor({ ...frontDoor, label: 'the other side' })).toBe(mounts.mountsFor(frontDoor));
  const mates = new PartMates(index, LARGE_RULES);
  const [a, b] = [new MountIndex(index, LARGE_RULES, mates), new MountIndex(index, LARGE_RULES, mates)];
  expect(a.mountsFor(frontDoor)).not.toBe(b.mountsFor(frontDoor));
  expect(a.mountsFor(frontDoor).raisedMm).toEqual(b.mountsFor(frontDoor).raisedMm);
});
