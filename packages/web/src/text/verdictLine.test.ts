import { describe, expect, test } from '@jest/globals';
import type { OpenCheck } from '@low-quarry/core/order/openChecks';
import { openCheckLine, verdictLine } from './verdictLine';

describe('a verdict is never without its margin and what decides it', () => {
  test.each([
    ['clears', 'front', 3.19, 0.81, 'mm', 'Clears by 3.1 mm ± 0.9 at the front'],
    ['measure', 'depth', -0.7, 1.9, 'mm', 'Measure first: −0.7 mm ± 1.9 at the glass'],
    ['hits', 'depth', -7.2, 1.4, 'mm', 'Hits at the glass: 7.2 mm ± 1.4 too little'],
    ['hits', 'depth', -25.4, 2.54, 'in', 'Hits at the glass: 1.000 in ± 0.100 too little'],
    ['hold', 'chime', null, null, 'mm', 'Hold for the chime'],
    ['measure', 'depth', null, null, 'mm', 'Measure first at the glass'],
  ] as const)('%s at %s', (verdict, decidedBy, marginMm, expandedMm, unit, line) => {
    expect(verdictLine({ verdict, decidedBy, marginMm, expandedMm }, 'glass', unit)).toBe(line);
  });

  test('what stands behind is named as what it is', () => {
    const facts = { verdict: 'clears', decidedBy: 'depth', marginMm: 2, expandedMm: 1 } as const;
    expect(verdictLine(facts, 'metal', 'mm')).toContain('at the metal behind');
  });
});

test('what waits for the part is a look, or is to be put right', () => {
  const open: OpenCheck = {
    check: 'screws',
    verdict: 'measure',
    countsFor: 'arrival',
    marginMm: null,
    expandedMm: null,
    sentence: '',
    cures: [],
    answer: null,
    outgrown: null,
  };
  expect(openCheckLine(open, 'glass', 'mm')).toBe('Look on arrival at the screws.');
  expect(openCheckLine({ ...open, verdict: 'hits', marginMm: -10 }, 'glass', 'mm')).toBe(
    'Put right on arrival at the screws.',
  );
});
