import { expect, test } from '@jest/globals';
import { largeParts } from '../testing/largeCatalogue';
import type { BracketRecord, PartRecord } from '.';
import { isListedLayer, type ListedPart, snapOffNamed, toListedPart } from '.';

const PARTS = largeParts({ speakers: 3, brackets: 2, seed: 1 });
const bracket = PARTS.find((part): part is BracketRecord => part.kind === 'bracket') as BracketRecord;
const snapped: PartRecord = {
  ...bracket,
  snapOffs: [{ id: 'ears', name: 'ears off', vehicleBolts: null, speakerBolts: null, throat: null }],
};
const listed = new Map<string, ListedPart>([...PARTS, snapped].map((part) => [part.id, toListedPart(part)]));

test('of every kind id, kind, maker and name; of a speaker what the list filters by', () => {
  for (const part of PARTS) {
    const { id, kind, maker, name } = part;
    expect(toListedPart(part)).toMatchObject({ id, kind, maker, name });
  }
  const speaker = PARTS.find(({ kind }) => kind === 'speaker') as PartRecord;
  expect(Object.keys(toListedPart(speaker)).sort()).toEqual(
    ['id', 'impedanceOhm', 'kind', 'maker', 'name', 'nominalSize', 'rmsW', 'speakerKind'].sort(),
  );
});

test('a layer is a bracket, one of its states, or a spacer; a speaker is none', () => {
  const spacer = PARTS.find(({ kind }) => kind === 'spacer') as PartRecord;
  const speaker = PARTS.find(({ kind }) => kind === 'speaker') as PartRecord;
  const isLayer = (id: string) => isListedLayer(id, listed);
  expect([bracket.id, `${bracket.id}#ears`, spacer.id].map(isLayer)).toEqual([true, true, true]);
  expect([`${bracket.id}#tail`, `${spacer.id}#ears`, speaker.id, 'of nobody'].map(isLayer)).toEqual(
    Array.from({ length: 4 }, () => false),
  );
  expect(snapOffNamed(`${bracket.id}#ears`, listed.get(bracket.id))).toBe('ears off');
  expect(snapOffNamed(bracket.id, listed.get(bracket.id))).toBeNull();
});
