import { describe, expect, test } from '@jest/globals';
import { ProblemError } from '../api/call';
import { fieldProblems, problemSentence } from './problemFields';

const refusedBy = (...paths: readonly string[]) =>
  new ProblemError({
    ...{ type: '/problems/invalid', title: 'Not valid', status: 400, detail: 'amplifierPlan: Unrecognized key.' },
    errors: paths.map((path) => ({ path, message: 'Type it anew.' })),
  });
const TYPED = { customer: 'Vet', dueOn: null, places: [{ name: '' }] };

describe('what is said of the whole form', () => {
  test('is nothing where nothing was refused, or each field says it', () => {
    expect(problemSentence(null, TYPED)).toBe(null);
    expect(problemSentence(refusedBy('customer', 'dueOn', 'places.0.name'), TYPED)).toBe(null);
    expect(problemSentence(refusedBy('whatever'))).toBe(null);
  });

  test('is the sentence where no field is named, or one that this form does not have', () => {
    expect(problemSentence(refusedBy(), TYPED)).toBe('amplifierPlan: Unrecognized key.');
    expect(problemSentence(refusedBy(), null)).toBe('amplifierPlan: Unrecognized key.');
    for (const path of ['', 'amplifierPlan', 'places.1.name', 'places.0.grade', 'places.0', 'customer.', 'dueOn.day'])
      expect([path, problemSentence(refusedBy('customer', path), TYPED)]).toEqual([
        path,
        'amplifierPlan: Unrecognized key.',
      ]);
  });

  test('goes by the names of the form, where they are others', () => {
    const error = refusedBy('record.customer');
    const refused = fieldProblems(error).map(({ message }) => ({ message, path: 'customer' }));
    expect(problemSentence(error, TYPED)).not.toBe(null);
    expect(problemSentence(error, TYPED, refused)).toBe(null);
  });
});
