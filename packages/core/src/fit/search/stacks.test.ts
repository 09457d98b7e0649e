import { describe, expect, test } from '@jest/globals';
import type { BoltPattern } from '../../geometry/BoltPattern';
import { bracket, circlePattern, exact, opening, RULES, spacer, speaker } from '../../testing/shapes';
import { madeRings } from '../layout/rings';
import type { FitBracket } from '../shapes';
import { addedParts, chainsFor, findLayer, moreRingStacks, piecesCostMinor, ringStacks, ringsFor } from './stacks';

const on = (diameterMm: number, holeMm: number): BoltPattern => circlePattern(4, exact(diameterMm), holeMm);
/** From one circle to another. */
const plate = (id: string, vehicleMm: number, speakerMm: number, heightMm = 6): FitBracket =>
  bracket({ id, vehicleBolts: on(vehicleMm, 5), speakerBolts: on(speakerMm, 4), height: exact(heightMm) });

const found = (brackets: readonly FitBracket[], speakerMm: number) =>
  chainsFor(opening(), speaker({ bolts: on(speakerMm, 5) }), { brackets }, RULES).map((chain) =>
    chain.map(({ id }) => id),
  );

describe('chains', () => {
  test('straight onto the metal and every bracket whose both sides mate, and no other', () => {
    const brackets = [plate('same', 156, 156), plate('other car', 140, 156), plate('other speaker', 156, 130)];
    expect(found(brackets, 156)).toEqual([[], ['same']]);
  });

  test('a bracket on a bracket only where nothing simpler mates', () => {
    const brackets = [plate('down', 156, 140), plate('on', 140, 120), plate('one step', 156, 120)];
    expect(found(brackets, 120)).toEqual([['one step']]);
    expect(found(brackets.slice(0, 2), 120)).toEqual([['down', 'on']]);
  });

  test('not higher than the shop allows, alone or together', () => {
    expect(found([plate('tall', 156, 120, 46)], 120)).toEqual([[]]);
    const two = [plate('down', 156, 140, 25), plate('on', 140, 120, 21)];
    expect(found(two, 120)).toEqual([[]]);
  });

  test('where the screws are not known nothing can be refused', () => {
    const chains = chainsFor(opening({ bolts: null }), speaker(), { brackets: [plate('any', 1, 1)] }, RULES);
    expect(chains).toEqual([[]]);
  });
});

describe('spacers', () => {
  const stock = [
    { thicknessMm: 9, halfWidthMm: 0.3, ringCostMinor: 1200 },
    { thicknessMm: 3, halfWidthMm: 0.3, ringCostMinor: 900 },
  ];
  const rules = { ...RULES, stock };

  const idsOf = (stacks: readonly (readonly { readonly id: string }[])[]) =>
    stacks.map((each) => each.map(({ id }) => id));

  test('bought rings in which the screws land, and rings cut from sheet, the thinnest first', () => {
    const narrow = spacer(5, { outer: { kind: 'circle', diameter: exact(150) } });
    const rings = ringsFor({ spacers: [narrow, spacer(8)] }, rules);
    expect(idsOf(ringStacks(opening(), [], rings, rules))).toEqual([['spacer-8'], ['ring-3'], ['ring-9']]);
    expect(madeRings(rules).map(({ height }) => height.valueMm)).toEqual([3, 9]);
  });

  test('only as high as is left above the brackets', () => {
    const chain = [plate('tall', 156, 156, 40)];
    expect(idsOf(ringStacks(opening(), chain, ringsFor({ spacers: [spacer(8)] }, rules), rules))).toEqual([
      ['ring-3', 'tall'],
    ]);
  });

  test('a ring on a ring, two of one sheet too, and a ring between bracket and speaker', () => {
    const chain = [plate('low', 156, 156, 4)];
    expect(idsOf(moreRingStacks(opening(), chain, ringsFor({ spacers: [] }, rules), rules))).toEqual([
      ['low', 'ring-3'],
      ['low', 'ring-9'],
      ['ring-3', 'ring-3', 'low'],
      ['ring-3', 'ring-9', 'low'],
      ['ring-9', 'ring-9', 'low'],
    ]);
  });

  test('are found by their ids, cut ones too', () => {
    const catalogue = { brackets: [bracket()], spacers: [spacer(8)] };
    expect(findLayer(catalogue, rules, 'spacer-8')?.height.valueMm).toBe(8);
    expect(findLayer(catalogue, rules, 'ring-9')).toMatchObject({ kind: 'spacer', made: true });
    expect(findLayer(catalogue, rules, 'bracket')?.kind).toBe('bracket');
    expect(findLayer(catalogue, rules, 'ring-7')).toBeNull();
  });

  test('a cut ring counts as two parts, and everything is paid by the piece', () => {
    const [ring] = madeRings(rules);
    if (!ring) throw new Error('expected a ring');
    expect(addedParts([spacer(8), bracket()])).toBe(2);
    expect(addedParts([ring, bracket()])).toBe(3);
    expect(piecesCostMinor({ speaker: speaker(), layers: [ring, bracket()] })).toBe(5000 + 700 + 900);
  });
});
