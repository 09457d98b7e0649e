import { expect, test } from '@jest/globals';
import { readingHalfWidthsMm, SETTINGS_DEFAULTS } from '../model/settings';
import { toFitOpening } from '../model/toFitOpening';
import { PLAIN_OPENING } from '../testing/plainOpening';
import { opening, RULES, speaker } from '../testing/shapes';
import { judgeCandidate } from './judgeCandidate';
import { openForOpening } from './openForOpening';
import { ASSUMABLE, type FitOpening } from './shapes';

const judge = (changes: Partial<FitOpening>) =>
  judgeCandidate(opening(changes), { speaker: speaker(), layers: [] }, [], RULES);
const placeOf = (changes: Partial<FitOpening>) => {
  const found = judge(changes).checks.find(({ id }) => id === 'place');
  if (!found) throw new Error('expected the check of the place');
  return found;
};

test('an opening that somebody looked at clears', () => {
  expect(placeOf({})).toMatchObject({ verdict: 'clears', countsFor: 'opening' });
});

test.each([
  ['blank', 'The panel is closed here'],
  ['no', 'no place for a speaker'],
] as const)('without an opening (%s) it holds, whatever is chosen', (isThere, words) => {
  expect(placeOf({ isThere })).toMatchObject({ verdict: 'hold', sentence: expect.stringContaining(words) });
});

test('what is only taken as usual is not “clears”: it asks for a look, and says at what', () => {
  const check = placeOf({ assumed: ['bolts', 'behind'] });
  expect(check).toMatchObject({ verdict: 'measure', isJudged: false, countsFor: 'opening' });
  expect(check.sentence).toContain('how many screw holes there are and where, what is behind it.');
  expect(check.sentence).toContain('a lamp and a minute');
});

test('it is said once for the opening, above all candidates', () => {
  const shape = opening({ assumed: ['behind'] });
  const shown = judgeCandidate(shape, { speaker: speaker(), layers: [] }, [], RULES);
  expect(openForOpening(shape, shown).map(({ check }) => check)).toContain('place');
});

test('screw holes that nobody has looked at are no pattern to judge by: their lengths are asked for', () => {
  const record = { ...PLAIN_OPENING, dimensions: { ...PLAIN_OPENING.dimensions, boltCircle: reading(166) } };
  const shape = (assumed: FitOpening['assumed']) =>
    toFitOpening({ ...record, assumed: [...assumed] }, readingHalfWidthsMm(SETTINGS_DEFAULTS), (id) => id);
  expect(shape([])).toMatchObject({ boltsMissing: [] });
  expect(shape([]).bolts).not.toBeNull();
  for (const assumed of ['bolts', 'fixing'] as const)
    expect(shape([assumed])).toMatchObject({ bolts: null, boltsMissing: ['boltCircle'] });
  expect(shape(ASSUMABLE).assumed).toEqual(ASSUMABLE);
});

function reading(mm: number) {
  return { readingsMm: [mm], source: 'calliper' as const, entered: String(mm), takenBy: null, takenAt: null };
}
