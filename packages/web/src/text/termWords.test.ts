import { expect, test } from '@jest/globals';
import { View } from '@low-quarry/core/fit/layout/View';
import { FRONT_FACES } from '@low-quarry/core/model/measurement';
import { SOURCE_IDS } from '@low-quarry/core/model/source';
import { bracket, circlePattern, exact, opening, rodAt, spacer, speaker } from '@low-quarry/core/testing/shapes';
import { instrumentName } from '@low-quarry/core/uncertainty/fromReadings';
import { termWords } from './termWords';

const oval = { kind: 'oval', length: exact(150), width: exact(100) } as const;
const rectangle = {
  ...circlePattern(4, exact(1), 5),
  shape: { kind: 'rectangle', width: exact(120), height: exact(80) },
} as const;
const free = { ...circlePattern(4, exact(1), 5), shape: { kind: 'free', holes: [], position: exact(0) } } as const;

test('everything that a margin can depend on has words', () => {
  const names = new Set([...SOURCE_IDS.map(instrumentName), ...FRONT_FACES.map((face) => `face.${face}`)]);
  const openings = [
    opening({ obstacles: [rodAt({ xMm: 0, yMm: 40, depth: exact(60), diameterMm: 20 })], lowerEdge: exact(-40) }),
    opening({ front: [{ id: 'door-card', label: 'door card', kind: 'card', gap: exact(15), inside: exact(140) }] }),
    opening({
      hole: oval,
      bolts: rectangle,
      recess: { depthMm: 3, outline: { kind: 'circle', diameter: exact(180) } },
    }),
    opening({
      bore: { depth: exact(20), inside: exact(140) },
      proud: [
        {
          id: 'weld-bead',
          label: 'weld bead',
          xMm: 90,
          yMm: 0,
          placeX: exact(0),
          placeY: exact(0),
          diameterMm: 8,
          height: exact(4),
        },
      ],
    }),
    opening({ hole: { kind: 'polygon', corners: [], edgeOffset: exact(0) }, bolts: free }),
  ];
  const speakers = [speaker(), speaker({ basket: oval, flange: oval, bolts: rectangle }), speaker({ bolts: free })];
  const stacks = [
    [bracket(), bracket()],
    [spacer(6), spacer(9)],
    [bracket({ throat: oval, plate: oval, vehicleBolts: rectangle, speakerBolts: rectangle })],
    [bracket({ vehicleBolts: free, speakerBolts: free }), spacer(3, { inner: oval, outer: oval })],
  ];
  for (const at of openings)
    for (const what of speakers)
      for (const layers of stacks) {
        const view = new View();
        view.setOpening(at);
        view.setSpeaker(what);
        view.setStack(layers, []);
        for (let slot = 0; slot < 120; slot++) {
          const name = nameAt(view, slot);
          if (name) names.add(name);
        }
      }
  expect(names.size).toBeGreaterThan(60);
  expect([...names].filter((name) => termWords(name) === name)).toEqual([]);
});

/** null where nothing has this slot. */
function nameAt(view: View, slot: number): string | null {
  try {
    view.dimensionOf(slot);
  } catch {
    return null;
  }
  return view.nameOf(slot);
}
