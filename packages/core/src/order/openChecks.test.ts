import { describe, expect, test } from '@jest/globals';
import type { Check, CheckId, Verdict } from '../fit/Check';
import type { Answer } from './answers';
import { CURE_IDS, CURES, curesFor, newAnswersSchema, withAnswers } from './answers';
import { gravestOf, heldBackBecause, openChecks, unanswered } from './openChecks';

const PLUGS = {
  airbag: 'none',
  made: null,
  secondPlug: 'none',
  pinsBeyond: [],
  wiring: { kind: 'connector' },
} as const;
const WARNING = { ...PLUGS, secondPlug: 'warning' } as const;

function check(id: CheckId, verdict: Verdict, marginMm: number | null = null, more: Partial<Check> = {}): Check {
  const margin = marginMm === null ? null : ({ valueMm: marginMm, expandedMm: 1 } as Check['margin']);
  const plain = {
    countsFor: 'candidate',
    isJudged: true,
    nearest: null,
    missing: [],
    sentence: `${id} says so`,
  } as const;
  return { id, verdict, margin, ...plain, ...more };
}

const found = (
  verdict: Verdict,
  marginMm: number | null,
  of: CheckId,
  countsFor: Check['countsFor'] = 'candidate',
) => ({
  verdict,
  countsFor,
  marginMm,
  sentence: `${of} says so`,
});
const given = { by: 'Rieke', at: '2026-03-02T10:00:00.000Z' };
const reason = (
  of: CheckId,
  verdict: Verdict,
  marginMm: number | null,
  countsFor: Check['countsFor'] = 'candidate',
): Answer => ({
  kind: 'reason',
  check: of,
  words: 'customer cuts the card',
  ...given,
  found: found(verdict, marginMm, of, countsFor),
});
const soundKept: Answer = {
  kind: 'cure',
  check: 'chime',
  cure: 'sounderKept',
  words: 'under the dash, belt chime heard',
  leave: 'the club, by letter',
  ...given,
  found: found('hold', null, 'chime', 'opening'),
};

const mayOrder = (checks: readonly Check[], answers: readonly Answer[], plugs: typeof PLUGS | typeof WARNING = PLUGS) =>
  heldBackBecause(openChecks({ checks }, answers, plugs), 'hits') === null;

describe('a reason', () => {
  test.each([
    ['nothing is open, nothing is asked', check('depth', 'clears', 3), [], true],
    ['what hits needs one', check('depth', 'hits', -2), [], false],
    ['for this check and this finding', check('depth', 'hits', -2), [reason('depth', 'hits', -2)], true],
    ['for a milder finding of now', check('depth', 'hits', -1), [reason('depth', 'hits', -2)], true],
    ['not for a worse one that came later', check('depth', 'hits', -3), [reason('depth', 'hits', -2)], false],
    ['not for a graver word', check('depth', 'hits', -0.1), [reason('depth', 'measure', 1)], false],
    ['for a milder word', check('depth', 'measure', 0.5), [reason('depth', 'hits', -2)], true],
    ['not for another check', check('front', 'hits', -2), [reason('depth', 'hits', -2)], false],
    [
      'for a missing dimension, as long as it is missing',
      check('depth', 'measure'),
      [reason('depth', 'measure', null)],
      true,
    ],
    ['not for what was measured since', check('depth', 'measure', 0.5), [reason('depth', 'measure', null)], false],
    ['never for a hold', check('connector', 'hold'), [reason('connector', 'hits', null)], false],
  ] as const)('%s', (_, now, answers, may) => {
    expect(mayOrder([now], answers)).toBe(may);
  });

  test('one check answered leaves the other open', () => {
    const checks = [check('depth', 'hits', -2), check('front', 'measure', 0.2)];
    expect(mayOrder(checks, [reason('depth', 'hits', -2)])).toBe(false);
    expect(mayOrder(checks, [reason('depth', 'hits', -2), reason('front', 'measure', 0.2)])).toBe(true);
  });

  test('what was outgrown is still shown, and by whom', () => {
    const [open] = openChecks({ checks: [check('depth', 'hits', -3)] }, [reason('depth', 'hits', -2)], PLUGS);
    expect(open).toMatchObject({ answer: null, outgrown: { by: 'Rieke', found: { marginMm: -2 } } });
  });
});

describe('a hold', () => {
  const chime = check('chime', 'hold', null, { countsFor: 'opening' });

  test('is lifted by its own cure and by nothing else', () => {
    expect(mayOrder([chime], [], WARNING)).toBe(false);
    expect(mayOrder([chime], [reason('chime', 'hold', null)], WARNING)).toBe(false);
    expect(mayOrder([chime], [soundKept], WARNING)).toBe(true);
    expect(mayOrder([check('connector', 'hold')], [{ ...soundKept, check: 'connector' }])).toBe(false);
  });

  test.each(['unexplained', 'notLooked'] as const)('a second plug that is %s is looked at first', (secondPlug) => {
    const plugs = { ...PLUGS, secondPlug };
    expect(curesFor('chime', plugs)).toEqual([]);
    const open = openChecks({ checks: [chime] }, [soundKept], plugs);
    expect(heldBackBecause(open, 'hold')).toBe('No reason lifts this hold: it has to be looked at first.');
  });

  test('says what would lift it', () => {
    expect(heldBackBecause(openChecks({ checks: [chime] }, [], WARNING), 'hold')).toBe(
      'No reason lifts this hold, only what is done about it: the factory sounder stays connected to what feeds it and is heard; or the vehicle maker says how the warnings are kept, and it is done that way.',
    );
  });

  test('nobody has looked is said as that, and a reason may stand for it', () => {
    const notLooked = check('obstacles', 'measure', null, { countsFor: 'opening', isJudged: false });
    const open = openChecks({ checks: [notLooked] }, [], PLUGS);
    expect(heldBackBecause(open, 'clears')).toBe('Nobody has looked, and no reason is written.');
    expect(mayOrder([notLooked], [reason('obstacles', 'measure', null, 'opening')])).toBe(true);
    // With a beam noted that clears by 8 mm the look was ordered without; that the beam is too near to call is another thing.
    const looked = reason('obstacles', 'measure', 8, 'opening');
    expect(mayOrder([check('obstacles', 'measure', 8, { countsFor: 'opening' })], [looked])).toBe(true);
    expect(mayOrder([check('obstacles', 'measure', 8)], [looked])).toBe(false);
  });

  test('another fact of the same check is another finding', () => {
    const renamed = { ...chime, sentence: 'something else' };
    expect(mayOrder([renamed], [soundKept], WARNING)).toBe(false);
  });

  test('for a choice it outranks a hit; arrival looks come last and hold nothing back', () => {
    const checks = [
      check('terminals', 'measure', null, { countsFor: 'arrival', isJudged: false }),
      check('front', 'measure', 0.2),
      check('depth', 'hits', -2),
      check('hole', 'hits', -5),
      chime,
    ];
    const open = openChecks({ checks }, [], WARNING);
    expect(open.map((each) => each.check)).toEqual(['chime', 'hole', 'depth', 'front', 'terminals']);
    expect(gravestOf(open)?.check).toBe('chime');
    expect(unanswered(open).map((each) => each.check)).toEqual(['chime', 'hole', 'depth', 'front']);
    expect(heldBackBecause(open, 'hits')).toContain('3 more checks are open.');
    expect(mayOrder([checks[0] as Check], [])).toBe(true);
    expect(gravestOf(openChecks({ checks: [checks[0] as Check] }, [], PLUGS))).toBeNull();
  });

  test('every check that may hold has a cure, and warning sounds are the owner’s, with leave', () => {
    expect(new Set(CURE_IDS.map((id) => CURES[id].check))).toEqual(
      new Set(['chime', 'connector', 'wireWay', 'hole', 'airbag', 'place']),
    );
    for (const id of curesFor('chime', WARNING)) expect(CURES[id]).toMatchObject({ ownerOnly: true, asksLeave: true });
    expect(curesFor('chime', WARNING)).toHaveLength(2);
    expect(curesFor('connector', { ...PLUGS, wiring: { kind: 'noWires' } })).toEqual(['newWire']);
    expect(curesFor('connector', { ...PLUGS, wiring: { kind: 'unknown' } })).toEqual([]);
    expect(curesFor('connector', { ...PLUGS, wiring: { kind: 'tapedBack' } })).toEqual(['newWire']);
    expect(curesFor('connector', { ...PLUGS, wiring: { kind: 'bare' } })).toEqual(['newWire', 'wiresJoined']);
    expect(curesFor('connector', { ...PLUGS, wiring: { kind: 'broken' } })).toEqual([
      ...['newWire', 'housingChanged', 'wiresJoined'],
    ]);
    expect(curesFor('connector', { ...PLUGS, wiring: { kind: 'cut' } })).toEqual(['newWire', 'wiresJoined']);
    expect(curesFor('chime', { ...PLUGS, secondPlug: 'soundOn' })).toEqual(['wiredOn']);
    const pins = (carries: 'warning' | 'notKnown' | 'feed') => ({
      carries,
      words: 'pins 3 and 4',
      isOfSecondPlug: false,
    });
    const byPins = (...all: Parameters<typeof pins>[0][]) =>
      curesFor('chime', { ...PLUGS, pinsBeyond: all.map((each) => pins(each)) });
    expect(byPins('warning')).toEqual(['sounderKept', 'makersWay']);
    expect(byPins('notKnown')).toEqual([]);
    expect(byPins('feed')).toEqual(['wiredOn']);
    // What keeps one does not keep the other, and nothing is kept while a part of it is not known.
    expect(byPins('warning', 'feed')).toEqual(['bothKept']);
    expect(byPins('warning', 'notKnown')).toEqual([]);
    expect(curesFor('chime', { ...WARNING, pinsBeyond: [pins('notKnown')] })).toEqual([]);
    expect(curesFor('chime', { ...WARNING, pinsBeyond: [pins('feed')] })).toEqual(['bothKept']);
    expect(curesFor('chime', { ...PLUGS, secondPlug: 'sound' })).toEqual([]);
    expect(curesFor('airbag', { ...PLUGS, airbag: 'near' })).toEqual(['makersManual']);
    expect(curesFor('airbag', { ...PLUGS, airbag: 'notLooked' })).toEqual([]);
    // A panel that stays closed is no place for a speaker, whoever agrees.
    expect(curesFor('place', PLUGS)).toEqual([]);
    expect(curesFor('place', { ...PLUGS, made: { isOnClosed: true } })).toEqual(['builtOnAgreed']);
    expect(curesFor('place', { ...PLUGS, made: { isOnClosed: false } })).toEqual([]);
  });
});

describe('as it is written down', () => {
  test.each([
    [[{ kind: 'reason', check: 'depth', words: 'short' }]],
    [[{ kind: 'reason', check: 'nothing', words: 'long enough' }]],
    [[{ kind: 'cure', check: 'chime', cure: 'sawn off', words: 'long enough', leave: null }]],
    [
      [
        { kind: 'reason', check: 'depth', words: 'long enough' },
        { kind: 'reason', check: 'depth', words: 'and once more' },
      ],
    ],
  ])('%j is refused', (answers) => {
    expect(newAnswersSchema.safeParse(answers).success).toBe(false);
  });

  test('one reason for all of a choice is kept and answers nothing', () => {
    expect(withAnswers({ speakerId: 's', reason: 'customer cuts the card' })).toEqual({
      speakerId: 's',
      answers: [],
      earlierReason: 'customer cuts the card',
    });
    expect(withAnswers({ speakerId: 's', answers: [soundKept] })).toEqual({ speakerId: 's', answers: [soundKept] });
    expect(withAnswers(null)).toBeNull();
  });
});
