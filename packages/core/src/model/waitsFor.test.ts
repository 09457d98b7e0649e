import { expect, test } from '@jest/globals';
import type { JobFacts } from './job';
import type { AskedOf } from './questions';
import { waitsFor } from './waitsFor';

const question = (of: AskedOf, answer = '', askedOn: string | null = '2026-11-27') => ({
  ...{ of, question: 'Which pin?', askedOn, how: '', answer, answeredOn: null, grade: null },
});
const OWN = { owner: 'customer', leave: 'notAsked', by: '', putBack: null } as const;

test.each<[string, JobFacts['questions'], JobFacts['ownership'], readonly AskedOf[]]>([
  ['nothing was asked', [], OWN, []],
  ['one is out', [question('maker')], OWN, ['maker']],
  ['it came back', [question('maker', 'Pin 3')], OWN, []],
  ['nobody has asked it yet', [question('maker', '', null)], OWN, []],
  [
    'two of one and one of another',
    [question('seller'), question('customer'), question('seller')],
    OWN,
    ['customer', 'seller'],
  ],
  ['the leave of a company', [], { owner: 'company', leave: 'asked', by: 'by letter', putBack: null }, ['owner']],
  ['a leave that was given', [], { owner: 'company', leave: 'given', by: '', putBack: null }, []],
  ['a customer’s own car needs none', [], { owner: 'customer', leave: 'asked', by: '', putBack: null }, []],
])('%s', (_name, questions, ownership, waits) => {
  expect(waitsFor({ questions, ownership })).toEqual(waits);
});
