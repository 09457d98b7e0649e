import { expect, test } from '@jest/globals';
import { type Fastener, newPanel, type Panel } from '@low-quarry/core/model';
import { panelSummary } from './panelSummary';

const EMPTY = newPanel({ kind: 'doorCard', spot: 'frontLeft', name: '' });
const screw = (count: number | null): Fastener => ({
  key: `k${count}`,
  kind: 'screw',
  where: 'edge',
  cover: null,
  head: null,
  driver: '',
  lengthMm: null,
  base: null,
  count,
  marked: [],
});

test.each<[string, Partial<Panel>, string]>([
  [
    'nobody looked',
    {},
    'Not looked: what holds it, how it comes off, what hangs on it, what only looks like a fixing, what stays, what breaks, where to begin.',
  ],
  [
    'everything was looked at',
    {
      fasteners: [screw(2), screw(null)],
      attached: [{ key: 'a', kind: 'lamp', what: 'lamp', note: '', marked: [] }],
      comesOff: 'whole',
      looksLike: '',
      stays: '',
      breaks: '',
      pryFrom: 'bottom corner',
    },
    '2 fasteners counted, 1 kind not counted; 1 thing hangs on it; whole.',
  ],
  [
    'what is only usual',
    {
      fasteners: [],
      attached: [],
      comesOff: 'whole',
      looksLike: '',
      stays: '',
      breaks: '',
      pryFrom: '',
      grade: 'classDefault',
    },
    'Nothing holds it; nothing hangs on it; whole. Usual for the body: look all the same.',
  ],
])('%s', (_name, more, words) => {
  expect(panelSummary({ ...EMPTY, ...more })).toBe(words);
});
