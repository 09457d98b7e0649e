import { expect, test } from '@jest/globals';
import { type Question, questionSchema, questionsWords } from './questions';

const ASKED: Question = {
  ...{ of: 'maker', question: 'Does the second plug carry the chime?', askedOn: '2026-03-02', how: 'by telephone' },
  ...{ answer: '', answeredOn: null, grade: null },
};
const ANSWERED: Question = { ...ASKED, answer: 'Yes, pin 3', answeredOn: '2026-03-04', grade: 'document' };
const problemsOf = (question: object) =>
  questionSchema.safeParse(question).error?.issues.map(({ path }) => path.join('.')) ?? [];

test('a question waits for its answer, and an answer says what it is worth', () => {
  expect(problemsOf(ASKED)).toEqual([]);
  expect(problemsOf(ANSWERED)).toEqual([]);
  expect(problemsOf({ ...ANSWERED, grade: null })).toEqual(['grade']);
  expect(problemsOf({ ...ASKED, question: ' ' })).toEqual(['question']);
});

test('no answer comes before the question', () => {
  expect(problemsOf({ ...ANSWERED, answeredOn: '2026-03-01' })).toEqual(['answeredOn']);
  expect(problemsOf({ ...ANSWERED, answeredOn: '2026-03-02' })).toEqual([]);
  expect(problemsOf({ ...ANSWERED, askedOn: null })).toEqual([]);
});

test('it is told with whom, when, what came and what that is worth', () => {
  expect(questionsWords([])).toBe('none');
  expect(questionsWords([ASKED, ANSWERED])).toBe(
    'The vehicle maker: Does the second plug carry the chime? (asked 2026-03-02, by telephone) No answer yet.; ' +
      'The vehicle maker: Does the second plug carry the chime? (asked 2026-03-02, by telephone) Yes, pin 3 (2026-03-04, the maker’s own document)',
  );
});
