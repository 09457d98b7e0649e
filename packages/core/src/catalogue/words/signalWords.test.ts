/** Boxes, filters, power and pieces as they are typed: whatever is written is read as it was, and what is wrong says what would do. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { fuzzed } from '../../testing/fuzzed';
import { bodyBoxesSchema } from '../bodyBoxes';
import { boxSchema } from '../box';
import { channelPowersSchema, POWER_KINDS } from '../channelPower';
import { BRANCH_TO, branchesSchema, filterSchema } from '../filter';
import { piecesSchema } from '../pieces';
import { bodyBoxWords, readBodyBoxWords } from './bodyBoxWords';
import { boxWords, readBoxWords } from './boxWords';
import { branchWords, filterWords, readBranchWords, readFilterWords } from './filterWords';
import { pieceWords, readPieceWords } from './pieceWords';
import { powerWords, readPowerWords } from './powerWords';

const tenth = (from: number, to: number) => fc.integer({ min: from * 10, max: to * 10 }).map((each) => each / 10);
const side = fc.record({ hz: tenth(10, 40_000), order: fc.integer({ min: 1, max: 4 }) });
const filters = fc
  .record({ highPass: fc.option(side), lowPass: fc.option(side) })
  .filter((each) => filterSchema.safeParse(each).success);
const branches = fc
  .uniqueArray(fc.record({ to: fc.constantFrom(...BRANCH_TO), filter: filters }), { selector: ({ to }) => to })
  .map((each) => branchesSchema.parse(each));
const powers = fc
  .array(
    fc.record({
      channels: fc.integer({ min: 1, max: 16 }),
      watt: tenth(1, 5000),
      kind: fc.constantFrom(...POWER_KINDS),
      atOhm: fc.option(tenth(1, 32)),
      isBridged: fc.boolean(),
    }),
    { maxLength: 12 },
  )
  .map((each) => channelPowersSchema.parse(each));
const what = fc.stringMatching(/^[a-z][a-z0-9×.,°()/ -]{0,40}[a-z0-9)]$/).map((text) => text.replace(/ +/g, ' '));
const pieces = fc
  .array(
    fc.record({
      count: fc.integer({ min: 1, max: 1000 }),
      what,
      partId: fc.option(fc.stringMatching(/^[a-z0-9][a-z0-9-]{0,40}$/)),
    }),
    { maxLength: 12 },
  )
  .map((each) => piecesSchema.parse(each));
const boxes = fc
  .record({ lengthMm: tenth(1, 2000), widthMm: tenth(1, 2000), heightMm: tenth(1, 2000) })
  .map((each) => boxSchema.parse(each));

const boxesOut = fc
  .array(
    fc
      .record({
        label: fc.stringMatching(/^[a-z][a-z ]{0,20}[a-z]$/).map((text) => text.replace(/ +/g, ' ')),
        live: fc.boolean(),
        angleDeg: tenth(-360, 360),
        innerMm: tenth(0, 120),
        outerMm: tenth(121, 250),
        widthMm: tenth(1, 120),
        fromMm: tenth(0, 150),
        toMm: tenth(151, 300),
      })
      .filter(({ label }) => !/ at /.test(label)),
    { maxLength: 6 },
  )
  .map((each) => bodyBoxesSchema.parse(each));

/** Text that looks like the words and mostly is none. */
const near = fc
  .array(
    fc.constantFrom(
      ...'4 × 60 W RMS at Ω high-pass low-pass 3500 Hz, 12 dB tweeter: woofer: ; [ ] none x k ,'.split(' '),
    ),
    { maxLength: 14 },
  )
  .map((words) => words.join(' '));

describe('what is written is read as it was', () => {
  test.each([
    ['boxes', boxes, boxWords, readBoxWords],
    ['filters', filters, filterWords, readFilterWords],
    ['branches', branches, branchWords, readBranchWords],
    ['power', powers, powerWords, readPowerWords],
    ['what sticks out', boxesOut, bodyBoxWords, readBodyBoxWords],
    ['pieces', fc.option(pieces), pieceWords, readPieceWords],
  ] as const)('%s', (_, values, print, read) => {
    fc.assert(
      fc.property(values as fc.Arbitrary<unknown>, (value) => {
        expect(read(print(value as never))).toEqual({ ok: true, value });
      }),
      fuzzed(300),
    );
  });

  test('and whatever is typed is read or refused in words, never half', () => {
    fc.assert(
      fc.property(fc.oneof(near, fc.string({ maxLength: 60 })), (text) => {
        for (const [read, print] of [
          [readBoxWords, boxWords],
          [readFilterWords, filterWords],
          [readBranchWords, branchWords],
          [readPowerWords, powerWords],
          [readPieceWords, pieceWords],
          [readBodyBoxWords, bodyBoxWords],
        ] as const) {
          const found = read(text);
          if (found.ok) expect(read(print(found.value as never))).toEqual(found);
          else expect(found.failure).toMatch(/would do/);
        }
      }),
      fuzzed(500),
    );
  });
});

describe('as the trade writes it', () => {
  test.each([
    ['High-pass 3.5 kHz, 12 dB', { highPass: { hz: 3500, order: 2 }, lowPass: null }],
    ['highpass at 80 Hz 24dB/octave', { highPass: { hz: 80, order: 4 }, lowPass: null }],
    [
      'high-pass 80 Hz, 12 dB and low pass 3,2 kHz, 6 dB',
      { highPass: { hz: 80, order: 2 }, lowPass: { hz: 3200, order: 1 } },
    ],
  ])('%s', (text, value) => expect(readFilterWords(text)).toEqual({ ok: true, value }));

  test.each([
    ['4x60W rms @ 4 ohm', { channels: 4, watt: 60, kind: 'RMS', atOhm: 4, isBridged: false }],
    ['2 × 180 W RMS at 4 Ω, bridged', { channels: 2, watt: 180, kind: 'RMS', atOhm: 4, isBridged: true }],
    // The sign for ohm that some keyboards write is another letter than the Greek one.
    ['4 × 50 W peak at 4 \u2126', { channels: 4, watt: 50, kind: 'peak', atOhm: 4, isBridged: false }],
    ['4 × 50 W', { channels: 4, watt: 50, kind: 'unstated', atOhm: null, isBridged: false }],
  ])('%s', (text, value) => expect(readPowerWords(text)).toEqual({ ok: true, value: [value] }));

  test('pieces of the library by their ids, and none', () => {
    expect(readPieceWords('2 x Woofer 65 [spk-1]; 4 × screw 4.2 × 25;')).toEqual({
      ok: true,
      value: [
        { count: 2, what: 'Woofer 65', partId: 'spk-1' },
        { count: 4, what: 'screw 4.2 × 25', partId: null },
      ],
    });
    expect(readPieceWords(' None ')).toEqual({ ok: true, value: [] });
    expect(readPieceWords('')).toEqual({ ok: true, value: null });
  });
});

describe('what is wrong', () => {
  test.each([
    [
      'a filter that lets nothing pass',
      readFilterWords,
      'high-pass 4000 Hz, 12 dB and low-pass 80 Hz, 12 dB',
      'A band begins below',
    ],
    ['two high-passes', readFilterWords, 'high-pass 80 Hz, 12 dB and high-pass 90 Hz, 12 dB', '“high-pass 90 hz'],
    ['a slope between two orders', readFilterWords, 'high-pass 80 Hz, 10 dB', '6, 12, 18 or 24 dB'],
    [
      'two branches to one speaker',
      readBranchWords,
      'tweeter: high-pass 3 kHz, 6 dB; tweeter: high-pass 4 kHz, 6 dB',
      'one branch',
    ],
    ['a box of two sides', readBoxWords, '240 × 160', 'three sides'],
    ['a box larger than a car', readBoxWords, '24000 × 160 × 50', 'was read'],
    ['no pieces of something', readPieceWords, '0 × grille', 'would do'],
    [
      'a plug of which the far face comes first',
      readBodyBoxWords,
      'plug at 0°: 60 to 40 off the axis, 20 wide, 5 to 9 deep',
      'inner face',
    ],
    ['a plug without a place', readBodyBoxWords, 'plug 20 wide', 'Where it is and how large'],
    ['channels without watt', readPowerWords, '4 × 60', '“4 × 60” was read'],
  ] as const)('%s', (_, read, text, words) => {
    const found = read(text);
    expect(found.ok ? null : found.failure).toContain(words);
  });
});
