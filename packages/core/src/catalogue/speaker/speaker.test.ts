import { describe, expect, test } from '@jest/globals';
import { type FitSpeaker, judgeCandidate } from '../../fit';
import { largeParts } from '../../testing/largeCatalogue';
import { adapter, candidate, opening, RULES } from '../../testing/shapes';
import { toListedPart } from '../ListedPart';
import { toFitCatalogue } from '../partKinds';
import { type FigureDoubt, openDoubts, pertinentDoubts } from './figureDoubts';
import { lacksOf, NEEDED_FIGURES, type SpeakerRecord, speakerSchema } from './speaker';

const [whole] = largeParts({ speakers: 1, brackets: 0, seed: 3 }) as [SpeakerRecord];

describe('what nobody wrote down', () => {
  test.each(NEEDED_FIGURES)('without %s it is a part, is said to lack it, and is not judged', (key) => {
    const speaker = speakerSchema.parse({ ...whole, [key]: null });
    expect(lacksOf(speaker)).toHaveLength(1);
    expect(toFitCatalogue([speaker]).speakers).toEqual([]);
    expect(toListedPart(speaker)).toMatchObject({ lacks: lacksOf(speaker) });
  });

  test('without terminals its lengths are judged, and no lead is found', () => {
    const [shape] = toFitCatalogue([speakerSchema.parse({ ...whole, terminals: null })]).speakers as [FitSpeaker];
    const { checks } = judgeCandidate(opening(), candidate({ speaker: shape }), [adapter()], RULES);
    expect(checks.find(({ id }) => id === 'connector')).toMatchObject({
      verdict: 'hold',
      sentence: 'Nobody noted what its wires are put on to: look at its terminals, and a lead can be found.',
    });
  });

  test('without impedance, power and sensitivity it is judged: they are no lengths', () => {
    const speaker = speakerSchema.parse({ ...whole, impedanceOhm: null, rmsW: null, sensitivityDb: null });
    expect(lacksOf(speaker)).toEqual([]);
    expect(toFitCatalogue([speaker]).speakers).toHaveLength(1);
    expect(toListedPart(speaker)).not.toHaveProperty('lacks');
  });
});

describe('a doubted figure', () => {
  const doubt: FigureDoubt = {
    figure: 'depth',
    value: whole.mountingDepthMm as number,
    words: 'It is deeper than its class.',
    proposes: null,
    chance: 0.9,
    settled: null,
  };
  const doubted = speakerSchema.parse({ ...whole, doubts: [doubt] });

  test('goes with the speaker into the fit', () => {
    expect(openDoubts(doubted)).toEqual([doubt]);
    expect(toFitCatalogue([doubted]).speakers[0]?.doubted).toEqual(['It is deeper than its class.']);
  });

  test('once it is settled it is kept, and is not open any more', () => {
    const settled = { how: 'measured', words: 'Calliper, 3 pieces', by: 'Okke', on: '2031-05-02' };
    const speaker = speakerSchema.parse({ ...whole, doubts: [{ ...doubt, settled }] });
    expect(openDoubts(speaker)).toEqual([]);
    expect(pertinentDoubts(speaker)).toHaveLength(1);
  });

  test('with another value in its place it is about nothing', () => {
    expect(pertinentDoubts({ ...doubted, mountingDepthMm: doubt.value + 0.5 })).toEqual([]);
    expect(pertinentDoubts({ ...doubted, mountingDepthMm: null })).toEqual([]);
  });
});
