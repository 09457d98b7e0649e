import { describe, expect, test } from '@jest/globals';
import { OLD_SPEAKER_NOT_TESTED, type OldSpeaker } from './oldSpeaker';
import { faultHold, isAssumed } from './replaced';

const old = (changes: Partial<OldSpeaker> = {}): OldSpeaker => ({ ...OLD_SPEAKER_NOT_TESTED, ...changes });
const read = [{ kind: 'ohm' as const, ohm: 3.4 }];

describe('that the old speaker has to go is assumed', () => {
  test.each<[string, Parameters<typeof isAssumed>[0], boolean]>([
    ['where nobody tested it', { presence: 'fitted', oldSpeaker: null }, true],
    ['where only its mark was read', { presence: 'fitted', oldSpeaker: old({ nominalOhm: 4 }) }, true],
    ['where nobody looked whether there is one', { presence: 'notLooked', oldSpeaker: null }, true],
    ['not where it was heard alone', { presence: 'fitted', oldSpeaker: old({ plays: 'plays' }) }, false],
    ['not where its coil was read', { presence: 'fitted', oldSpeaker: old({ readings: read }) }, false],
    ['not where it is torn', { presence: 'fitted', oldSpeaker: old({ damage: ['torn'] }) }, false],
    ['not where there is none', { presence: 'empty', oldSpeaker: null }, false],
  ])('%s', (_, replaced, is) => {
    expect(isAssumed(replaced)).toBe(is);
  });
});

describe('nothing is ordered for a place', () => {
  test.each<[string, Parameters<typeof faultHold>[0], string | null]>([
    [
      'that is silent, and nobody knows why',
      { presence: 'fitted', oldSpeaker: old({ plays: 'silent' }) },
      'it is silent, and nobody knows why. Do not order for it yet.',
    ],
    [
      'that crackles, and nobody knows why',
      { presence: 'fitted', oldSpeaker: old({ plays: 'crackles' }) },
      'it is heard to be wrong, and nobody knows why. Do not order for it yet.',
    ],
    [
      'whose fault is elsewhere',
      {
        presence: 'fitted',
        oldSpeaker: old({ plays: 'silent', trials: [{ test: 'otherSource', isShown: true }] }),
      },
      'it is the source: the telephone, the disc, the station. Put that right first.',
    ],
  ])('%s', (_, replaced, words) => {
    expect(faultHold(replaced)).toBe(words);
  });

  test.each<[string, Parameters<typeof faultHold>[0]]>([
    ['whose speaker is torn', { presence: 'fitted', oldSpeaker: old({ plays: 'crackles', damage: ['torn'] }) }],
    ['whose speaker plays', { presence: 'fitted', oldSpeaker: old({ plays: 'plays' }) }],
    ['whose speaker nobody heard', { presence: 'fitted', oldSpeaker: null }],
    ['whose speaker was taken out since', { presence: 'empty', oldSpeaker: old({ plays: 'silent' }) }],
  ])('but for one %s', (_, replaced) => {
    expect(faultHold(replaced)).toBeNull();
  });
});
