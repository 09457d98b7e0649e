import { expect, test } from '@jest/globals';
import { changeHeadline, changeSentences } from './changeSentences';

const JOB = { vehicleId: 'v', customer: 'Pilots', registration: 'P 2', wants: 'louder', dueOn: null };
const base = { kind: 'job', label: 'Pilots, P 2', action: 'changed', before: JOB, after: JOB, undoes: null } as const;

test('a change tells the fields that differ, and only those', () => {
  const told = { ...base, after: { ...JOB, wants: '', dueOn: '2026-04-01' } };
  expect(changeHeadline(told)).toBe('changed the job: Pilots, P 2');
  expect(changeSentences(told)).toEqual(['What is wanted: louder → nothing', 'Due on: nothing → 2026-04-01']);
});

test('a first line tells what was wanted; a choice its parts and its verdict', () => {
  expect(changeSentences({ ...base, action: 'created', before: null })).toEqual(['wanted: louder']);
  const choice = { words: 'Shoal 65 Slim + plate', verdict: 'Clears' };
  const chosen = {
    ...base,
    kind: 'choice',
    label: 'Front door, left',
    action: 'created',
    before: null,
    after: choice,
  } as const;
  expect(changeHeadline(chosen)).toBe('chose a speaker for Front door, left');
  expect(changeSentences(chosen)).toEqual(['Shoal 65 Slim + plate, clears']);
  expect(changeSentences({ ...chosen, action: 'deleted', before: choice, after: null })).toEqual([
    'was Shoal 65 Slim + plate, clears',
  ]);
});

test('what was taken back says so', () => {
  expect(changeHeadline({ ...base, kind: 'opening', label: 'Rear deck', undoes: 7 })).toBe(
    'by undo, measured Rear deck',
  );
});

test('a part is told by its labels', () => {
  const told = { ...base, kind: 'part', before: { id: 'p', depthMm: 60 }, after: { id: 'p', depthMm: 62 } } as const;
  expect(changeSentences(told)).toEqual(['Depth, mm: 60 → 62']);
});
