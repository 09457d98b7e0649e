import { expect, test } from '@jest/globals';
import { packWords } from './importWords';

const NONE = { added: 0, changed: 0, same: 0, connectors: 0 };

test.each([
  [{ ...NONE, added: 1 }, 'It has 1 new part.', 'Bring in 1 new part'],
  [
    { ...NONE, added: 20_000, changed: 3 },
    'It has 20,000 new parts and 3 changed parts.',
    'Bring in 20,000 new parts and 3 changed parts',
  ],
  [
    { added: 2, changed: 0, same: 1, connectors: 1 },
    'It has 2 new parts and 1 new connector. 1 part is here already, just like that.',
    'Bring in 2 new parts and 1 new connector',
  ],
  [{ ...NONE, same: 7 }, 'Nothing in it is new. 7 parts are here already, just like that.', null],
  [NONE, 'Nothing in it is new.', null],
])('%j', (answer, would, press) => {
  expect(packWords(answer)).toMatchObject({ would, press });
});
