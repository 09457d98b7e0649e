import { expect, test } from '@jest/globals';
import type { Work, WorkKind, WorkState } from '@low-quarry/core/contracts/work';
import { shownWork } from './shownWork';

const work = (kind: WorkKind, state: WorkState): Work => ({
  id: `0198a6f0-0000-7000-8000-00000000000${state.length}`,
  kind,
  askedBy: 'Okke',
  askedAt: '2026-03-02T09:00:00.000Z',
  state,
  isStopping: false,
  step: '',
  share: null,
  tries: 1,
  startedAt: null,
  endedAt: null,
  nextTryAt: null,
  fault: null,
  result: null,
});

test.each<[string, readonly Work[], Work | null]>([
  ['nothing was asked for', [], null],
  ['one runs', [work('backup', 'running'), work('backup', 'failed')], work('backup', 'running')],
  ['the night’s is tried again', [work('backup', 'done'), work('nightly', 'waiting')], work('nightly', 'waiting')],
  ['the last asked for failed', [work('nightly', 'done'), work('backup', 'failed')], work('backup', 'failed')],
  ['one came about since', [work('backup', 'done'), work('backup', 'failed')], null],
  ['somebody stopped it', [work('backup', 'stopped'), work('backup', 'failed')], null],
  ['the night’s failed: that has its own line', [work('nightly', 'failed'), work('backup', 'done')], null],
])('%s', (_name, all, shown) => {
  expect(shownWork(all)).toEqual(shown);
});
