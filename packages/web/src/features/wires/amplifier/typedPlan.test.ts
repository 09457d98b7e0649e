import { describe, expect, test } from '@jest/globals';
import type { AmplifierPlan } from '@low-quarry/core/model';
import { type PlanTyped, readPlanSchema, toPlanTyped } from './typedPlan';

const BYPASS: AmplifierPlan = {
  ...{ kind: 'bypass', by: 'addedAmplifier', leads: 'new', leastOhm: 2, sounds: 'heard', reason: 'a boot of bass' },
  power: { watt: 75, rating: 'RMS', atOhm: 4 },
};
const read = (typed: Partial<PlanTyped>) => readPlanSchema.safeParse({ ...toPlanTyped(null), ...typed });

describe('what is kept comes back as it was typed', () => {
  test.each<[string, AmplifierPlan]>([
    ['nothing decided', null],
    ['kept', { kind: 'keep', reason: 'the radio stays' }],
    ['bypassed', BYPASS],
    ['bypassed by what nobody knows the figures of', { ...BYPASS, leastOhm: null, power: null }],
  ])('%s', (_, amplifierPlan) => {
    expect(readPlanSchema.parse(toPlanTyped(amplifierPlan))).toEqual({ amplifierPlan });
  });
});

test('a bypass that is chosen away is kept as typed, and not saved', () => {
  expect(read({ ...toPlanTyped(BYPASS), kind: 'keep' }).data).toEqual({
    amplifierPlan: { kind: 'keep', reason: 'a boot of bass' },
  });
  expect(read({ ...toPlanTyped(BYPASS), kind: null }).data).toEqual({ amplifierPlan: null });
});

test.each<[Partial<PlanTyped>, string, string]>([
  [{ kind: 'bypass', leads: 'new' }, 'by', 'Choose what feeds its channels instead.'],
  [{ kind: 'bypass', by: 'newRadio' }, 'leads', 'Choose where the new leads go.'],
  [{ ...toPlanTyped(BYPASS), leastOhm: '0' }, 'leastOhm', 'Type ohms above 0.'],
  [{ ...toPlanTyped(BYPASS), leastOhm: '4 W' }, 'leastOhm', '“4 W” was read. Type ohms such as 4, or leave it empty.'],
  [
    { ...toPlanTyped(BYPASS), watt: '' },
    'watt',
    'Type the power that is given into these ohms, or leave the ohms empty.',
  ],
  [{ ...toPlanTyped(BYPASS), watt: '9000' }, 'watt', 'Type at most 5,000 W.'],
])('a slip is said at its field: %j', (typed, field, message) => {
  expect(read(typed).error?.issues.map(({ path, message }) => [path.join('.'), message])).toEqual([[field, message]]);
});
