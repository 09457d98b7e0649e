import { expect, test } from '@jest/globals';
import { type CandidateFilter, readFilter, writeFilter } from './candidateFilter';

test.each<[CandidateFilter]>([
  [{ kind: 'all' }],
  [{ kind: 'verdict', verdict: 'hold' }],
  [{ kind: 'check', check: 'bolts' }],
])('%j is kept in the address', (filter) => {
  expect(readFilter(writeFilter(filter))).toEqual(filter);
});

test('an address nobody wrote shows everything', () => {
  for (const text of [null, '', 'rubbish', 'not-rubbish']) expect(readFilter(text)).toEqual({ kind: 'all' });
});
