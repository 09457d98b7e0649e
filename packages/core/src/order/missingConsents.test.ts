import { expect, test } from '@jest/globals';
import { missingConsents } from './missingConsents';

test.each([
  ['nothing is done by hand', [], {}, []],
  ['a part is worked on, which can be bought again', ['fileThroat', 'thinRing'], {}, []],
  ['the car is drilled', ['drill'], {}, ['drill']],
  ['the car is drilled, and that was agreed to', ['drill'], { drill: 'Vet, by letter' }, []],
  ['a consent to one thing is none to another', ['drill', 'grind'], { grind: 'Vet, by letter' }, ['drill']],
  ['the same on both sides', ['fileHole', 'fileHole'], {}, ['fileHole']],
] as const)('where %s', (_, kinds, consents, missing) => {
  expect(
    missingConsents(
      kinds.map((kind) => ({ kind })),
      consents,
    ),
  ).toEqual(missing);
});
