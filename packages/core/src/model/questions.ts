/** A question that went outside the shop: whom, when and how, what came back, and what that is worth. It is open until something did. */
import { z } from 'zod';

export const ASKED_OF_LABELS = {
  customer: 'The customer',
  owner: 'The car’s owner',
  maker: 'The vehicle maker',
  seller: 'A seller',
} as const;
export type AskedOf = keyof typeof ASKED_OF_LABELS;
export const ASKED_OF = Object.keys(ASKED_OF_LABELS) as [AskedOf, ...AskedOf[]];

/** What an answer is worth, the best first. */
export const ANSWER_GRADE_LABELS = {
  document: 'The maker’s own document',
  seen: 'Seen on this car by whoever answered',
  written: 'In writing, from memory',
  said: 'Said',
  claimed: 'Claimed by who sells it',
} as const;
export type AnswerGrade = keyof typeof ANSWER_GRADE_LABELS;
export const ANSWER_GRADES = Object.keys(ANSWER_GRADE_LABELS) as [AnswerGrade, ...AnswerGrade[]];

const daySchema = z.iso.date('Type a day such as 2026-11-27.').nullable();
const lineSchema = (most: number) => z.string().trim().max(most, `Type at most ${most} characters.`);

export const questionSchema = z
  .strictObject({
    of: z.enum(ASKED_OF),
    question: lineSchema(200).min(1, 'Type what was asked.'),
    askedOn: daySchema,
    /** By telephone, by post, whom exactly. */
    how: lineSchema(120),
    /** Empty until it came. */
    answer: lineSchema(300),
    answeredOn: daySchema,
    grade: z.enum(ANSWER_GRADES).nullable(),
  })
  .superRefine(({ answer, grade, askedOn, answeredOn }, context) => {
    if (answer !== '' && grade === null)
      context.addIssue({ code: 'custom', path: ['grade'], message: 'Choose what the answer is worth.' });
    if (askedOn !== null && answeredOn !== null && answeredOn < askedOn) {
      const message = `${answeredOn} lies before ${askedOn}, when it was asked: type a later day, or leave it empty.`;
      context.addIssue({ code: 'custom', path: ['answeredOn'], message });
    }
  });
export type Question = z.infer<typeof questionSchema>;

export const MOST_QUESTIONS = 30;
export const questionsSchema = z.array(questionSchema).max(MOST_QUESTIONS, `Keep to ${MOST_QUESTIONS} questions.`);

/** "The vehicle maker: does the second plug carry the chime? Asked 2026-11-27. No answer yet." */
export function questionWords({ of, question, askedOn, how, answer, answeredOn, grade }: Question): string {
  const asked = [askedOn, how].filter(Boolean).join(', ');
  const came = [answeredOn, grade && ANSWER_GRADE_LABELS[grade].toLowerCase()].filter(Boolean).join(', ');
  return [
    `${ASKED_OF_LABELS[of]}: ${question}`,
    ...(asked ? [`(asked ${asked})`] : []),
    answer === '' ? 'No answer yet.' : `${answer}${came ? ` (${came})` : ''}`,
  ].join(' ');
}

export function questionsWords(questions: readonly Question[]): string {
  return questions.length === 0 ? 'none' : questions.map(questionWords).join('; ');
}
