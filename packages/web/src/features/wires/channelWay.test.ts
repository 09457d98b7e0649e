/** The parts on a signal's way, from the vehicle's plug to the speaker. */
import { describe, expect, test } from '@jest/globals';
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import type { OpeningRecord } from '@low-quarry/core/model';
import type { ChannelLoad } from '@low-quarry/core/sound';
import type { ChannelSheet, JointLine } from '@low-quarry/core/stations';
import { channelWay } from './channelWay';

const JOB = { id: 'job-1', vehicle: { id: 'veh 1' } } as Job;
const LOAD = {
  ...{ label: 'Front door, left', kind: 'coaxial', before: { kind: 'nothing' }, line: null, crossover: null },
} as ChannelLoad;
const SHEET = { crossed: [], record: { wire: 'factory' } } as unknown as ChannelSheet;
const PLUG = { kind: 'connector', connectorId: 'plug' } as const;

function opening(wiring: OpeningRecord['wiring'], state: 'chosen' | 'nothingChosen' = 'chosen'): OpeningWithState {
  const record = { place: 'frontDoorLow', side: 'left', name: '', earlier: null, wiring };
  return { id: 'door', record, state: { kind: state } } as unknown as OpeningWithState;
}
const joint = (id: string, count: number | null) => ({ id, count }) as JointLine;
const kinds = (
  one: OpeningWithState,
  lines: readonly JointLine[] = [],
  load: Partial<ChannelLoad> = {},
  sheet: Partial<ChannelSheet> = {},
) => channelWay(JOB, { ...SHEET, ...sheet }, { ...LOAD, ...load }, [one], lines).map(({ kind }) => kind);

describe('where the wire of the car ends', () => {
  test.each<[string, readonly JointLine[], string]>([
    ['a lead plugs in', [joint('plug door', 0)], 'plug'],
    ['nobody decided how', [joint('plug door', null)], 'unknownPlug'],
    ['it is joined', [joint('connector door', 2)], 'joint'],
    ['another opening’s is joined', [joint('connector other', 2)], 'plug'],
  ])('%s', (_, lines, kind) => {
    expect(kinds(opening(PLUG), lines)).toEqual([kind, 'driver']);
  });

  test.each<[OpeningRecord['wiring']['kind'], readonly string[]]>([
    ['unknown', ['unknownPlug', 'driver']],
    ['broken', ['unknownPlug', 'driver']],
    ['noWires', ['driver']],
  ])('at a speaker that stays: %s', (kind, way) => {
    expect(kinds(opening({ kind } as OpeningRecord['wiring'], 'nothingChosen'))).toEqual(way);
  });

  test('new wire has no plug of the car', () => {
    expect(kinds(opening(PLUG), [], {}, { record: { wire: 'new' } as ChannelSheet['record'] })).toEqual(['driver']);
  });
});

test('all that may stand before a speaker, in its order, each leading where it is decided', () => {
  const load = {
    ...{ crossover: { name: 'left' }, line: { highPass: null }, before: { kind: 'notLooked' } },
  } as unknown as Partial<ChannelLoad>;
  const way = channelWay(JOB, SHEET, { ...LOAD, ...load }, [opening(PLUG)], [joint('plug door', 0)]);
  expect(way.map(({ kind, to }) => [kind, 'part' in to ? to.part : to.address])).toEqual([
    ['crossover', 'crossovers'],
    ['plug', '/jobs/job-1/openings/door'],
    ['filter', 'opening-door'],
    ['notLooked', '/jobs/job-1/openings/door'],
    ['driver', '/jobs/job-1/openings/door/fit'],
  ]);
  expect(new Set(way.map(({ words }) => words)).size).toBe(way.length);
});

test('what is no opening of this car leads to what is noted of the vehicle', () => {
  expect(channelWay(JOB, SHEET, { ...LOAD, label: 'Roof' }, [opening(PLUG)], [])).toEqual([
    { kind: 'driver', words: 'Roof', to: { address: '/vehicles/veh%201' } },
  ]);
});
