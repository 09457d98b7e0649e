import { expect, test } from '@jest/globals';
import type { Band, Channel, PairCarries, PinPair, PlugFace } from '../model';
import { PLAIN_OPENING } from '../testing/plainOpening';
import { pinPoints } from './pinPoints';

const PLACE = 'Front door, left';
const channel = (band: Band | null, places = [PLACE]): Channel => ({
  ...{ name: 'front left', places, feeds: '', joined: 'parallel', band, fedBy: 'radio', leastOhm: null, power: null },
  ...{ wire: null, note: '', grade: 'seenHere' },
});
const faceOf = (carries: readonly PairCarries[], grade: PinPair['grade'] = 'seenHere'): PlugFace => ({
  rows: 1,
  positions: 8,
  pairs: carries.map((each, at) => ({ pins: [2 * at + 1, 2 * at + 2], colours: ['', ''], carries: each, grade })),
  empty: [],
});
const wordsOf = (
  face: PlugFace | null,
  channels: Channel[] | null,
  amplifierPlan: Parameters<typeof pinPoints>[0]['amplifierPlan'] = null,
) =>
  pinPoints({ amplifierPlan, vehicle: { channels } }, [
    {
      id: 'a',
      record: { ...PLAIN_OPENING, plugFaces: face ? [face] : [] },
      state: { kind: 'nothingChosen', known: 0, takenHere: 0 },
    },
  ]).map(({ words }) => words);

test('what the pins bring and what is written of the channel are held against each other', () => {
  expect(wordsOf(faceOf(['bass']), [channel('full')])).toEqual([
    `${PLACE}: bass only comes through its pins, and everything is written of channel front left. Hear it, and put right what is wrong.`,
  ]);
  expect(wordsOf(faceOf(['full']), [channel(null)])).toEqual([
    `${PLACE}: everything comes through its pins, and nobody noted the band of channel front left. Hear it, and put right what is wrong.`,
  ]);
  expect(wordsOf(faceOf(['bass']), [channel('bass')])).toEqual([]);
  expect(wordsOf(faceOf(['bass', 'treble']), [channel('full')])).toEqual([]);
  expect(wordsOf(faceOf(['treble', 'warning']), [channel('bass')])).toHaveLength(1);
  expect(wordsOf(faceOf(['voices', 'warning']), [channel('voices')])).toEqual([]);
});

test('where there is nothing to hold against it, nothing is said', () => {
  expect(wordsOf(null, [channel('full')])).toEqual([]);
  expect(wordsOf(faceOf(['bass']), null)).toEqual([]);
  expect(wordsOf(faceOf(['bass']), [channel('full', ['Rear deck, left'])])).toEqual([]);
  expect(wordsOf(faceOf(['warning']), [channel('full')])).toEqual([]);
  // A guess holds nothing against anybody.
  expect(wordsOf(faceOf(['bass'], 'guessed'), [channel('full')])).toEqual([]);
  // A place on two channels is said as that.
  expect(wordsOf(faceOf(['bass']), [channel('full'), channel('treble')])).toEqual([]);
  const bypass = {
    kind: 'bypass',
    by: 'newRadio',
    leads: 'atPlug',
    leastOhm: null,
    power: null,
    sounds: 'heard',
    reason: '',
  } as const;
  expect(wordsOf(faceOf(['bass']), [channel('full')], bypass)).toEqual([]);
});
