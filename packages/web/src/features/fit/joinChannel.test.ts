/** The graver of shape and channel counts, and the order stays that of the shapes within each verdict. */
import { expect, test } from '@jest/globals';
import { type FirstLook, type RankedSpeaker, VERDICTS_BY_RANK, type Verdict } from '@low-quarry/core/fit';
import { CHANNEL_CHECKS } from '@low-quarry/core/sound';
import type { ChannelTold } from '../../workers/channelOfCatalogue';
import { decidingOf } from './candidateFilter';
import { ChannelJoin } from './joinChannel';

const IDS = ['a', 'b', 'c', 'd'];

function ranked(speakerId: string, verdict: Verdict): RankedSpeaker {
  const best = { layerIds: [], verdict, decidedBy: 'depth', addedParts: 0, costMinor: 0 } as const;
  return { speakerId, best: { ...best, marginMm: 1, expandedMm: 0.5, plateMm: null } };
}
const SPEAKERS = [ranked('a', 'clears'), ranked('b', 'clears'), ranked('c', 'measure'), ranked('d', 'hits')];

function told(marks: Readonly<Record<string, readonly [Verdict, (typeof CHANNEL_CHECKS)[number]]>>): ChannelTold {
  const always = { load: 'clears', band: 'clears', power: 'clears', wire: 'clears' } as const;
  return {
    ...{ kind: 'known', name: 'front left' },
    marks: {
      always,
      verdictAt: Uint8Array.from(IDS, (id) => VERDICTS_BY_RANK.indexOf(marks[id]?.[0] ?? 'clears')),
      checkAt: Uint8Array.from(IDS, (id) => CHANNEL_CHECKS.indexOf(marks[id]?.[1] ?? 'load')),
    },
  };
}
const order = (join: ChannelJoin) =>
  join
    .ranking({ speakers: SPEAKERS, stacksJudged: 9 })
    .speakers.map((each) => `${each.speakerId} ${each.best.verdict} ${decidingOf(each)}`);
const BY_SHAPE = ['a clears depth', 'b clears depth', 'c measure depth', 'd hits depth'];

test('a channel that has nothing against anybody, or that nobody knows, leaves all as it is', () => {
  expect(order(new ChannelJoin(told({}), IDS))).toEqual(BY_SHAPE);
  expect(order(new ChannelJoin({ kind: 'notLooked' }, IDS))).toEqual(BY_SHAPE);
  expect(order(new ChannelJoin(null, IDS))).toEqual(BY_SHAPE);
});

test('whom it is graver for goes down to its verdict, and says that it was the channel', () => {
  expect(order(new ChannelJoin(told({ a: ['hold', 'band'], d: ['hold', 'band'] }), IDS))).toEqual([
    'b clears depth',
    'c measure depth',
    'a hold channel band',
    // What hits by its shape is hit already.
    'd hits depth',
  ]);
  expect(order(new ChannelJoin(told({ a: ['measure', 'power'], c: ['measure', 'power'] }), IDS))).toEqual([
    'b clears depth',
    'a measure channel power',
    'c measure depth',
    'd hits depth',
  ]);
});

test('what it has against a speaker is told by itself too', () => {
  const join = new ChannelJoin(told({ a: ['hold', 'band'] }), IDS);
  expect(join.against('a')).toEqual({ verdict: 'hold', check: 'band' });
  expect([join.against('b'), join.against('gone'), new ChannelJoin(null, IDS).against('a')]).toEqual([
    null,
    null,
    null,
  ]);
});

test('a first look counts the same, and shows none as clear that is not', () => {
  const look: FirstLook = {
    verdicts: Uint8Array.from(SPEAKERS, ({ best }) => VERDICTS_BY_RANK.indexOf(best.verdict)),
    best: SPEAKERS.slice(0, 2),
    stacksJudged: 9,
  };
  const joined = new ChannelJoin(told({ a: ['hits', 'load'], c: ['measure', 'power'] }), IDS).look(look);
  expect([...joined.verdicts].map((at) => VERDICTS_BY_RANK[at])).toEqual(['hits', 'clears', 'measure', 'hits']);
  expect(joined.best.map(({ speakerId }) => speakerId)).toEqual(['b']);
  expect(new ChannelJoin(null, IDS).look(look)).toBe(look);
});
