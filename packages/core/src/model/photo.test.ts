import { describe, expect, test } from '@jest/globals';
import { changeSentences } from '../records';
import {
  isOfBaseline,
  marksWords,
  type PhotoMark,
  type PhotoState,
  photoLabel,
  photoPlaceOf,
  photoStateSchema,
} from './photo';

const ARROW: PhotoMark = { kind: 'arrow', from: [0, 0], to: [0.5, 1] };
const CIRCLE: PhotoMark = { kind: 'circle', at: [0.5, 0.5], radius: 0.1 };
const PHOTO: PhotoState = { of: 'job', recordId: 'j', place: '', hash: 'a'.repeat(64), caption: '', marks: [] };

test.each<[readonly PhotoMark[], string]>([
  [[], 'none'],
  [[CIRCLE], '1 circle'],
  [[CIRCLE, ARROW, ARROW], '2 arrows, 1 circle'],
])('%j is told as %s', (marks, words) => {
  expect(marksWords(marks)).toBe(words);
});

test('a photo is called by its caption, or just a photo', () => {
  expect([photoLabel({ caption: '' }), photoLabel({ caption: 'Plug' })]).toEqual(['a photo', 'the photo “Plug”']);
});

test.each<[Pick<PhotoState, 'of' | 'place'>, boolean]>([
  [{ of: 'job', place: 'baseline' }, true],
  [{ of: 'job', place: photoPlaceOf('window.frontLeft') }, true],
  [{ of: 'job', place: '' }, false],
  [{ of: 'job', place: 'baselines' }, false],
  [{ of: 'opening', place: 'baseline' }, false],
])('%j is of what was signed for: %s', (subject, expected) => {
  expect(isOfBaseline(subject)).toBe(expected);
});

test('a change is told by caption and marks', () => {
  const change = { kind: 'photo', label: 'a photo', action: 'changed', undoes: null } as const;
  expect(changeSentences({ ...change, before: PHOTO, after: { ...PHOTO, caption: 'Plug', marks: [ARROW] } })).toEqual([
    'Caption: none → Plug',
    'Marks: none → 1 arrow',
  ]);
});

describe('what is refused', () => {
  test.each<[string, object]>([
    ['a mark outside the picture', { marks: [{ ...ARROW, to: [1.01, 0] }] }],
    ['a circle without size', { marks: [{ ...CIRCLE, radius: 0 }] }],
    ['more marks than anybody looks at', { marks: Array.from({ length: 31 }, () => CIRCLE) }],
    ['a name that leads out of the folder', { hash: '../../etc/passwd' }],
    ['a record of another kind', { of: 'person' }],
  ])('%s', (_name, more) => {
    expect(photoStateSchema.safeParse({ ...PHOTO, ...more }).success).toBe(false);
    expect(photoStateSchema.safeParse(PHOTO).success).toBe(true);
  });
});
