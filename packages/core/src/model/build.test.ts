import { expect, test } from '@jest/globals';
import { PLAIN_OPENING } from '../testing/plainOpening';
import { asCarried } from './asCarried';
import { type Build, type BuildStep, buildWords } from './build';
import { openingRecordSchema } from './opening';

const BY = { by: 'Rieke', at: '2026-12-04T09:00:00.000Z' };
const done = (...steps: BuildStep[]): Build => steps.map((step) => ({ step, ...BY }));
const read = (build: Build) => openingRecordSchema.safeParse({ ...PLAIN_OPENING, build });

test.each([
  [
    done('panelOff', 'fitted', 'closed'),
    '“Panel closed” comes right after “Heard alone, joints tugged, the window run where there is one”: tick that first.',
  ],
  [
    done('fitted'),
    '“New speaker in, all its screws tight” comes right after “Panel off, old speaker out”: tick that first.',
  ],
  [done('panelOff', 'panelOff'), '“Panel off, old speaker out” comes first, and once.'],
])('a panel closed over what nobody heard is refused, with what comes first: %j', (build, message) => {
  expect(read(build).error?.issues.map((issue) => issue.message)).toEqual([message]);
});

test('of another car neither work nor earlier work is known', () => {
  expect(asCarried({ ...PLAIN_OPENING, build: done('panelOff'), earlier: ['plugCut'] })).toMatchObject({
    build: [],
    earlier: null,
  });
});

test('it is said with who did it', () => {
  expect(buildWords([])).toBe('not begun');
  expect(buildWords(done('panelOff'))).toBe('panel off, old speaker out (Rieke)');
});
