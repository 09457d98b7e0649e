import { describe, expect, test } from '@jest/globals';
import type { CheckId } from '../fit';
import type { CureId, NewAnswer } from './answers';
import { CONSENT_KINDS, type ConsentKind, type Consents, missingConsents, neededConsents } from './consents';

const reason = (check: CheckId): NewAnswer => ({ kind: 'reason', check, words: 'as was agreed' }) as NewAnswer;
const cure = (of: CureId): NewAnswer =>
  ({ kind: 'cure', cure: of, words: 'behind the card', leave: null }) as NewAnswer;
type Choice = Parameters<typeof neededConsents>[0];
const done = (...kinds: readonly Choice['works'][number]['kind'][]): Choice => ({
  works: kinds.map((kind) => ({ kind })),
  answers: [],
});
const answered = (...answers: readonly NewAnswer[]): Choice => ({ works: [], answers });

describe('what has to be agreed to', () => {
  test.each<[string, Choice, Consents, readonly (readonly ConsentKind[])[]]>([
    ['nothing is done by hand', done(), {}, []],
    ['a part is worked on, which can be bought again', done('fileThroat', 'thinRing'), {}, []],
    ['the car is drilled', done('drill'), {}, [['drill']]],
    ['the car is drilled, and that was agreed to', done('drill'), { drill: 'Vet, by letter' }, []],
    ['a consent to one thing is none to another', done('drill', 'grind'), { grind: 'Vet, by letter' }, [['drill']]],
    ['the same on both sides', done('fileHole', 'fileHole'), {}, [['fileHole']]],
    [
      'the front does not clear, and it is ordered all the same',
      answered(reason('front')),
      {},
      [['grilleOff', 'pocketGone']],
    ],
    ['one of the two that may give way', answered(reason('front')), { pocketGone: 'Vet, by letter' }, []],
    [
      'a grille given up says nothing of screws',
      answered(reason('screws')),
      { grilleOff: 'Vet' },
      [['unprovenFixing']],
    ],
    ['nobody knows whether it holds, twice', answered(reason('screws'), reason('bolts')), {}, [['unprovenFixing']]],
    ['a reason for what gives nothing up', answered(reason('terminals')), {}, []],
    ['the loom is cut', answered(cure('loomCut')), {}, [['loomCut']]],
    ['an adapter is made instead', answered(cure('ownAdapter')), {}, []],
    [
      'the hole is filed by either name',
      { works: [{ kind: 'fileHole' }], answers: [cure('holeFiled')] },
      {},
      [['fileHole']],
    ],
  ])('where %s', (_, choice, consents, missing) => {
    expect(missingConsents(neededConsents(choice), consents)).toEqual(missing);
  });
});

test('an empty line is no consent', () => {
  for (const kind of CONSENT_KINDS) expect(missingConsents([[kind]], { [kind]: '' })).toEqual([[kind]]);
});
