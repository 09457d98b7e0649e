/** New wire that was decided on where a speaker was chosen has to get into the door. */
import { describe, expect, test } from '@jest/globals';
import type { OpeningState } from '../contracts/jobs';
import { type CarFacts, type Channel, channelsSchema, type Place } from '../model';
import type { CureId } from '../order';
import type { ChannelOpening } from './channelSheets';
import { isNewWire, newWirePoints } from './newWirePoints';
import { wireHolds } from './wireHolds';

function opening(place: Place, cure: CureId | null): ChannelOpening {
  const answer = cure && { kind: 'cure', check: 'connector', cure, words: 'from the radio', leave: null };
  return {
    id: place,
    record: {
      ...{
        place,
        side: 'left',
        name: '',
        presence: 'fitted',
        nominalSize: '6.5 in',
        oldSpeaker: null,
        lineFilter: null,
      },
    },
    state: { kind: 'chosen', open: [{ check: 'connector', answer }], plays: null } as unknown as OpeningState,
  };
}
const boot = (answer: string): CarFacts => ({
  boot: { answer, grade: 'seenHere', note: '', by: null, at: null },
});
const WIRED = opening('rearDoor', 'newWire');
function car(found: CarFacts, fields: Partial<Channel> = {}) {
  const whole = {
    name: 'rear left',
    places: ['Rear door, left', 'Dash corner, left'],
    feeds: '',
    band: 'full',
    fedBy: 'radio',
  };
  const channels = channelsSchema.parse([{ ...whole, note: '', grade: 'seenHere', ...fields }]);
  return { found, amplifierPlan: null, crossovers: [], stowed: [], vehicle: { channels, facts: {}, spaces: null } };
}
const held = (job: ReturnType<typeof car>, openings: readonly ChannelOpening[]) => [...wireHolds(job, openings, 0.975)];

describe('through a boot in which a connector sits', () => {
  const HELD = [['rearDoor', expect.stringContaining('a connector sits in the boot')]];
  test('none is run: nothing is ordered for that door, whoever noted its channel, and another speaker settles it', () => {
    expect(held(car(boot('connector')), [WIRED])).toEqual(HELD);
    expect(held(car(boot('connector'), { wire: 'factory' }), [WIRED])).toEqual(HELD);
    expect(newWirePoints(car(boot('connector')), [WIRED])).toEqual([
      expect.objectContaining({ isHeld: true, settledAt: { kind: 'match', openingId: 'rearDoor' } }),
    ]);
  });

  test('where the channel says that its wire is new it says so once', () => {
    const job = car(boot('connector'), { wire: 'new' });
    expect(newWirePoints(job, [WIRED])).toEqual([]);
    const [[, words] = ['', '']] = held(job, [WIRED]);
    expect(words.match(/sits in the boot/g)).toHaveLength(1);
  });

  test('only a door has one, and only new wire asks for it', () => {
    expect(held(car(boot('connector')), [opening('dashCorner', 'newWire'), opening('rearDoor', 'loomCut')])).toEqual(
      [],
    );
    expect(held(car(boot('connector')), [opening('rearDoor', null)])).toEqual([]);
  });
});

test('through an open boot it goes; past a hinge without one it is open, and holds nothing', () => {
  expect(newWirePoints(car(boot('open')), [WIRED])).toEqual([]);
  const gap = car(boot('none'));
  expect(held(gap, [WIRED])).toEqual([]);
  expect(newWirePoints(gap, [WIRED])).toEqual([
    expect.objectContaining({ isHeld: false, words: expect.stringContaining('hinge’s gap') }),
  ]);
});

test('of a boot that nobody looked at the question of the car asks, once', () => {
  expect(newWirePoints(car({}), [WIRED])).toEqual([]);
  expect(isNewWire(WIRED)).toBe(true);
  expect(isNewWire(opening('rearDoor', 'loomCut'))).toBe(false);
});
