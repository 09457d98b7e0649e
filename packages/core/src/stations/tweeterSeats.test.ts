/** A tweeter that goes in has a seat, and something that holds it: what nobody decided, tried or agreed to stays open. */
import { expect, test } from '@jest/globals';
import type { OpeningState, Plays } from '../contracts/jobs';
import {
  channelsSchema,
  SETTINGS_DEFAULTS,
  smallNeeds,
  TWEETER_HOLD_KINDS,
  TWEETER_HOLDS,
  TWEETER_SEAT_KINDS,
  TWEETER_SEATS,
  type TweeterSeat,
  tweeterSeatSchema,
} from '../model';
import { PLAIN_OPENING } from '../testing/plainOpening';
import { orderHolds } from './orderHolds';
import { type SeatOpening, seatChecks, seatPoints } from './tweeterSeats';

const SEAT: TweeterSeat = { seat: 'factoryHousing', heldBy: 'bracket', clothGapMm: 6, lookAgain: '' };
const RECORD = { ...PLAIN_OPENING, place: 'sailPanel', side: 'left' } as const;

const PLAYS: Plays = {
  ...{ speakerKind: 'tweeter', impedanceOhm: 4, coilOhm: null, coilMh: null, resonanceHz: null, totalQ: null },
  ...{ rmsW: 40, sensitivityDb: 90, sensitivityAt: '1 W', filter: null },
};

const CHANNELS = channelsSchema.parse([
  {
    name: 'left',
    places: ['Sail panel, left'],
    feeds: '',
    band: 'treble',
    fedBy: 'radio',
    note: '',
    grade: 'seenHere',
  },
]);

function opening(tweeterSeat: TweeterSeat | null, speakerKind: Plays['speakerKind'] = 'tweeter'): SeatOpening {
  const plays = { ...PLAYS, speakerKind };
  return { id: 'sail', record: { ...RECORD, tweeterSeat }, state: { kind: 'chosen', plays } };
}
const checkOf = (seat: TweeterSeat | null, consents = {}) =>
  seatChecks([opening(seat)], consents, SETTINGS_DEFAULTS)[0];

test('only a tweeter that goes in is asked for its seat', () => {
  const checks = (of: SeatOpening) => seatChecks([of], {}, SETTINGS_DEFAULTS);
  expect(checks(opening(null, 'coaxial'))).toEqual([]);
  expect(checks({ ...opening(null), state: { kind: 'nothingChosen' } })).toEqual([]);
  expect(checkOf(null)).toMatchObject({ what: 'Sail panel, left', verdict: 'measure', margin: null });
  expect(checkOf(null)?.sentence).toBe('Nobody decided what it sits in, and what holds it there.');
});

test('what is decided says what of it can be undone', () => {
  expect(checkOf(SEAT)).toMatchObject({ verdict: 'clears', settledBy: null });
  expect(checkOf(SEAT)?.sentence).toBe(
    'The factory tweeter’s housing, held by a bracket, 6 mm to what is before it. It unscrews. The housing stays as it is.',
  );
});

test('the room before it is a number with its doubt: a calliper’s half-width, rectangular', () => {
  const asked = SETTINGS_DEFAULTS.clearancesMm.front;
  const half = SETTINGS_DEFAULTS.halfWidthsMm.calliper;
  const at = (clothGapMm: number) => checkOf({ ...SEAT, clothGapMm });
  expect(at(asked + half)?.margin?.mm).toBeCloseTo(half, 9);
  // The quantile of a rectangle lies within it (JCGM 100:2008, 4.3.7): 0.95 of 0.2 mm for 97.5 of 100 on one side.
  expect(at(asked + half)?.margin?.expandedMm).toBeCloseTo(0.95 * half, 6);
  expect([asked + half, asked, asked - half].map((mm) => at(mm)?.verdict)).toEqual(['clears', 'measure', 'hits']);
  expect(checkOf({ ...SEAT, clothGapMm: null })?.verdict).toBe('measure');
  // On the open surface there is no cloth to come near to.
  expect(checkOf({ ...SEAT, seat: 'sailPanel', clothGapMm: null })).toMatchObject({
    verdict: 'clears',
    sentence: expect.stringContaining('What may be before its front nobody tried'),
  });
});

test('what is cut for good is agreed to first, and what softens is looked at again', () => {
  const hole: TweeterSeat = { ...SEAT, seat: 'flushHole', heldBy: 'cup' };
  expect(checkOf(hole)?.verdict).toBe('hold');
  expect(checkOf(hole, { drill: 'signed, 3 March' })?.verdict).toBe('clears');
  expect(checkOf({ ...SEAT, heldBy: 'screws' })?.verdict).toBe('hold');
  const loop: TweeterSeat = { ...SEAT, heldBy: 'hookAndLoop' };
  expect(checkOf(loop)?.verdict).toBe('measure');
  expect(checkOf(loop)?.sentence).toContain('In the heat of a car it softens.');
  expect(checkOf({ ...loop, lookAgain: 'in a month, by us' })?.verdict).toBe('clears');
});

test('its points: a question on the wires, and a hold where somebody has to sign', () => {
  const points = (seat: TweeterSeat | null) => seatPoints([opening(seat)], {}, SETTINGS_DEFAULTS);
  expect(points(SEAT)).toEqual([]);
  expect(points(null)).toMatchObject([{ station: 'wire', isHeld: false, settledAt: { kind: 'wires' } }]);
  expect(points({ ...SEAT, seat: 'flushHole' })).toMatchObject([
    { isHeld: true, settledAt: { kind: 'bookIn', field: 'consents' } },
  ]);
});

test('nothing is ordered for a seat that nobody agreed to, or that does not take it', () => {
  const job = {
    ...{ found: {}, amplifierPlan: null, crossovers: [], stowed: [], consents: {} },
    vehicle: { channels: CHANNELS, facts: {}, spaces: null },
  };
  // Of what the shop tells of a choice nothing else is asked.
  const asTold = (seat: TweeterSeat | null) => ({ ...opening(seat).state, open: [] }) as unknown as OpeningState;
  const held = (seat: TweeterSeat | null) => [
    ...orderHolds(
      job,
      [{ ...opening(seat), record: { ...RECORD, tweeterSeat: seat }, state: asTold(seat) }],
      SETTINGS_DEFAULTS,
    ),
  ];
  expect(held(SEAT)).toEqual([]);
  // What nobody decided is a question, and what has to be had for it is bought with the rest.
  expect(held(null)).toEqual([]);
  expect(held({ ...SEAT, clothGapMm: 0 }).join()).toContain('Its front comes too near to what is before it.');
  expect(held({ ...SEAT, seat: 'flushHole' })).toEqual([
    [
      'sail',
      expect.stringMatching(/^Its seat: A new hole.* Get the written consent to drill: what is cut stays cut\.$/),
    ],
  ]);
});

test('property: every seat with every hold is judged, in whole sentences, and what holds it is on the list where it is bought', () => {
  for (const seat of TWEETER_SEAT_KINDS)
    for (const heldBy of TWEETER_HOLD_KINDS) {
      const tweeterSeat = tweeterSeatSchema.parse({ ...SEAT, seat, heldBy });
      const sentence = checkOf(tweeterSeat)?.sentence ?? '';
      expect(sentence).toContain(TWEETER_SEATS[seat].undone);
      expect(sentence).toContain(TWEETER_HOLDS[heldBy].undone);
      const needs = smallNeeds([{ ...RECORD, tweeterSeat }], [], 8).map(({ what }) => what);
      const need = TWEETER_HOLDS[heldBy].need;
      if (need === null) expect(needs.join()).not.toMatch(/tweeter|tape|glue/i);
      else expect(needs).toContain(need);
    }
});
