import { describe, expect, test } from '@jest/globals';
import type { Photo } from '@low-quarry/core/contracts/photos';
import type { PhotoSubject } from '@low-quarry/core/model';
import type { Entry } from '../../outbox/Entry';
import { notesOf, originWords, shownPhotos, subjectOf } from './shownPhoto';

const JOB: PhotoSubject = { of: 'job', recordId: 'j', place: '' };
const photo = (id: string, more: Partial<Photo> = {}): Photo => ({
  id,
  version: 1,
  ...JOB,
  jobId: 'j',
  hash: 'a'.repeat(64),
  widthPx: 40,
  heightPx: 30,
  caption: '',
  marks: [],
  addedAt: '2026-03-02T10:00:00.000Z',
  addedBy: 'Okke',
  ...more,
});
const waiting = (id: string, subject: PhotoSubject): Entry => ({
  kind: 'addPhoto',
  id,
  personId: 'p',
  at: '2026-03-02T10:00:00.000Z',
  label: 'a car',
  refused: null,
  photo: { ...subject, caption: 'waits', marks: [] },
});

test('what the shop has comes first, then what waits here; what is of something else is left out', () => {
  const shown = shownPhotos(
    [photo('1'), photo('2', { place: 'baseline' })],
    [waiting('3', JOB), waiting('4', { ...JOB, recordId: 'other' })],
    ({ of, recordId, place }) => of === 'job' && recordId === 'j' && place === '',
  );
  expect(shown.map(({ kind, id }) => [kind, id])).toEqual([
    ['kept', '1'],
    ['waiting', '3'],
  ]);
  expect(shown.map((each) => notesOf(each).caption)).toEqual(['', 'waits']);
  expect(shown.map((each) => subjectOf(each).recordId)).toEqual(['j', 'j']);
});

describe('where a photo of a job is from', () => {
  const placeOf = (id: string) => (id === 'o' ? 'Front door, left' : null);
  test.each<[string, PhotoSubject, string | null]>([
    ['the job itself', JOB, null],
    ['an opening', { of: 'opening', recordId: 'o', place: '' }, 'Front door, left'],
    ['an opening that is gone', { of: 'opening', recordId: 'x', place: '' }, 'A place that was taken off the car'],
    ['the baseline', { ...JOB, place: 'baseline.camera' }, 'What works today'],
  ])('%s', (_name, subject, words) => {
    expect(originWords(subject, placeOf)).toBe(words);
  });
});
