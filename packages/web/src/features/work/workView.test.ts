import { expect, test } from '@jest/globals';
import type { Work } from '@low-quarry/core/contracts/work';
import { workView } from './workView';

const NOW = new Date('2026-03-02T12:00:00');
const at = (clock: string) => new Date(`2026-03-02T${clock}:00`).toISOString();
const work = (changes: Partial<Work>): Work => ({
  id: '00000000-0000-4000-8000-000000000001',
  kind: 'backup',
  askedBy: 'Okke',
  askedAt: at('11:00'),
  state: 'waiting',
  isStopping: false,
  step: '',
  share: null,
  tries: 0,
  startedAt: null,
  endedAt: null,
  nextTryAt: null,
  fault: null,
  result: null,
  ...changes,
});

test.each<[string, Partial<Work>, string, 'plain' | 'good' | 'bad', boolean, boolean]>([
  ['asked for just now', {}, 'Waits for its turn.', 'plain', true, false],
  ['begun', { state: 'running', tries: 1 }, 'Runs.', 'plain', true, false],
  [
    'under way',
    { state: 'running', tries: 1, step: 'Writing table 4 of 11' },
    'Runs: Writing table 4 of 11.',
    'plain',
    true,
    false,
  ],
  [
    'told to end',
    { state: 'running', isStopping: true },
    'Ends at its next step, as somebody asked.',
    'plain',
    false,
    false,
  ],
  [
    'failed once',
    { tries: 1, fault: 'no room on the disk', nextTryAt: at('12:10') },
    'Try 1 failed: no room on the disk. It is tried again today at 12:10.',
    'bad',
    true,
    false,
  ],
  [
    'tried again',
    { state: 'running', tries: 2, fault: 'The server ended while it was at work.' },
    'Runs. This is try 2; the one before failed: The server ended while it was at work.',
    'bad',
    true,
    false,
  ],
  [
    'done',
    { state: 'done', endedAt: at('11:01'), result: 'x is in the list.' },
    'Done today at 11:01. x is in the list.',
    'good',
    false,
    false,
  ],
  [
    'failed',
    { state: 'failed', tries: 2, endedAt: at('11:05'), fault: 'no room' },
    'Failed today at 11:05 after 2 tries: no room.',
    'bad',
    false,
    true,
  ],
  [
    'stopped',
    { state: 'stopped', fault: 'no room', endedAt: at('11:05') },
    'Stopped today at 11:05.',
    'plain',
    false,
    true,
  ],
])('%s', (_, changes, state, tone, mayStop, mayAskAgain) => {
  expect(workView(work(changes), NOW)).toMatchObject({ state, tone, mayStop, mayAskAgain });
});

test('who asked is said, and of what the server does by itself, that it does', () => {
  expect(workView(work({}), NOW).asked).toBe('by Okke, today at 11:00');
  expect(workView(work({ askedBy: null }), NOW).asked).toBe('by the server itself, today at 11:00');
});

test.each([
  [0.999, 99],
  [1, 100],
  [null, null],
])('a share of %p reads as %p', (share, percent) => {
  expect(workView(work({ state: 'running', share }), NOW).percent).toBe(percent);
});
