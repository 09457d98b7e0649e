import { expect, test } from '@jest/globals';
import { bracket, exact, spacer } from '@low-quarry/core/testing/shapes';
import { againstOldMount } from './againstOldMount';

const read = (...readingsMm: number[]) => ({
  readingsMm,
  source: 'calliper' as const,
  entered: readingsMm.join('; '),
  takenBy: null,
  takenAt: null,
});
const faces = { keptRing: null, oldMount: read(14, 16) };

test('what is gained in front is lost behind', () => {
  expect(againstOldMount(faces, [bracket({ height: exact(6) }), spacer(3)], 'mm')).toBe(
    'Against the old mount, 15 mm in front of the metal: 6 mm are gained in front, and lost behind.',
  );
  expect(againstOldMount(faces, [spacer(18)], 'mm')).toContain('3 mm are lost in front, and gained behind');
  expect(againstOldMount(faces, [spacer(15)], 'mm')).toContain('nothing is gained or lost');
});

test('where no mount was measured nothing is said of it', () => {
  expect(againstOldMount({ keptRing: read(4), oldMount: null }, [], 'mm')).toBeNull();
});
