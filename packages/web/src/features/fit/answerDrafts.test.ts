import { describe, expect, test } from '@jest/globals';
import type { Answer } from '@low-quarry/core/order/answers';
import type { OpenCheck } from '@low-quarry/core/order/openChecks';
import { draftErrors, draftOf, toNewAnswer, withDraft } from './answerDrafts';

const open: OpenCheck = {
  check: 'depth',
  verdict: 'hits',
  countsFor: 'candidate',
  marginMm: -2,
  expandedMm: 1,
  sentence: '',
  cures: [],
  answer: null,
  outgrown: null,
};
const chime: OpenCheck = {
  ...open,
  check: 'chime',
  verdict: 'hold',
  marginMm: null,
  cures: ['sounderKept', 'makersWay'],
};
const given = {
  by: 'Okke',
  at: '2026-03-02T10:00:00.000Z',
  found: { verdict: 'hits', countsFor: 'candidate', marginMm: -1, sentence: '' },
} as const;
const said: Answer = { kind: 'reason', check: 'depth', words: 'customer cuts the card', ...given };
const nothing = { cure: null, words: '', leave: '' };

describe('a reason', () => {
  test('left empty is no answer and no slip; begun, it has to be long enough', () => {
    expect([toNewAnswer(open, nothing), draftErrors(open, nothing)]).toEqual([null, {}]);
    expect(draftErrors(open, { ...nothing, words: 'short' }).words).toContain('8 characters');
    expect(toNewAnswer(open, { ...nothing, words: '  long enough ' })).toEqual({
      kind: 'reason',
      check: 'depth',
      words: 'long enough',
    });
  });

  test('stands in its field again, also where it was for another finding; what is typed over it wins', () => {
    expect(draftOf({}, 'o', { ...open, answer: said }).words).toBe('customer cuts the card');
    expect(draftOf({}, 'o', { ...open, outgrown: said }).words).toBe('customer cuts the card');
    const typed = withDraft({}, 'o', open, { ...nothing, words: 'new' });
    expect(draftOf(typed, 'o', { ...open, answer: said }).words).toBe('new');
    expect(draftOf(typed, 'other side', open)).toEqual(nothing);
    expect(draftOf({}, 'o', { ...chime, outgrown: { ...said, check: 'chime' } })).toEqual(nothing);
  });
});

describe('a cure', () => {
  test('asks for evidence, and for leave where it needs it', () => {
    const begun = { cure: 'sounderKept', words: '', leave: '' } as const;
    expect(Object.keys(draftErrors(chime, begun))).toEqual(['words', 'leave']);
    const whole = { ...begun, words: 'under the dash', leave: ' the club ' };
    expect(draftErrors(chime, whole)).toEqual({});
    expect(toNewAnswer(chime, whole)).toEqual({
      kind: 'cure',
      check: 'chime',
      cure: 'sounderKept',
      words: 'under the dash',
      leave: 'the club',
    });
  });

  test('words alone lift nothing, and a look on arrival is answered by nobody', () => {
    expect(toNewAnswer(chime, { ...nothing, words: 'customer does not mind' })).toBeNull();
    expect(
      toNewAnswer({ ...open, verdict: 'measure', countsFor: 'arrival' }, { ...nothing, words: 'long enough' }),
    ).toBeNull();
  });
});
