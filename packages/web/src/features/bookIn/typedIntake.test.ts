import { expect, test } from '@jest/globals';
import { newJobSchema } from '@low-quarry/core/contracts/jobs';
import { type IntakeFacts, intakeFactsOf } from '@low-quarry/core/model';
import { readIntakeSchema, toIntakeTyped } from './typedIntake';

const FACTS: IntakeFacts = intakeFactsOf(
  newJobSchema.parse({ vehicleId: 'v', customer: 'Vet', registration: '', wants: '', dueOn: null }),
);

test('what nobody touched is read as it was', () => {
  for (const facts of [
    FACTS,
    { ...FACTS, budgetMinor: 42_050 },
    { ...FACTS, budgetMinor: 0, goals: { bass: 1 as const }, consents: { drill: 'By letter' } },
  ])
    expect(readIntakeSchema.parse(toIntakeTyped(facts))).toEqual(facts);
});

test.each([
  ['420', 42_000],
  ['420,50', 42_050],
  [' 420.5 ', 42_050],
  ['', null],
  ['0', 0],
])('an amount of “%s” is %s', (budgetMinor, read) => {
  expect(readIntakeSchema.parse({ ...toIntakeTyped(FACTS), budgetMinor }).budgetMinor).toBe(read);
});

test.each([
  ['four hundred', 'budgetMinor', '“four hundred” was read'],
  ['-5', 'budgetMinor', '“-5” was read'],
  ['99999999', 'budgetMinor', 'at most a million'],
])('an amount of “%s” is said at its field', (budgetMinor, path, says) => {
  const { error } = readIntakeSchema.safeParse({ ...toIntakeTyped(FACTS), budgetMinor });
  expect(error?.issues[0]?.path).toEqual([path]);
  expect(error?.issues[0]?.message).toContain(says);
});
