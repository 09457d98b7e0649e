import { expect, test } from '@jest/globals';
import type { OpeningState } from '../contracts/jobs';
import { type Channel, channelsSchema, jobFactsSchema, vehicleSchema } from '../model';
import { PLAIN_OPENING } from '../testing/plainOpening';
import type { PointJob, PointOpening } from './point';
import { startValuePoints } from './startValuePoints';

const CHOSEN = {
  kind: 'chosen',
  plays: {
    ...{ speakerKind: 'coaxial', impedanceOhm: 4, coilOhm: null, coilMh: null, resonanceHz: null, totalQ: null },
    ...{ rmsW: 40, sensitivityDb: 90, sensitivityAt: '2.83 V', filter: null },
  },
} as unknown as OpeningState;
const channels = channelsSchema.parse([
  {
    ...{ name: 'front left', places: ['Front door, left'], feeds: '', band: 'full', fedBy: 'addedAmplifier' },
    ...{ power: { watt: 60, rating: 'RMS', atOhm: 4 }, note: '', grade: 'seenHere' },
  },
]) as Channel[];

function pointsOf(settings: Record<string, string>, isBegun: boolean) {
  const { openings: _, ...vehicle } = vehicleSchema.parse({
    ...{ id: 'veh', make: 'Tollan', model: 'Skiff', years: { from: 2014, to: null }, body: 'estate', doors: 5 },
    ...{ trim: '', audioPackage: '', steeringSide: 'left', openings: [], facts: {}, channels },
  });
  const facts = jobFactsSchema.parse({ customer: 'Vet', registration: '', wants: '', dueOn: null });
  const job: PointJob = { ...facts, vehicle, baseline: { ...facts.baseline, settings } };
  const build = isBegun ? [{ step: 'panelOff', by: 'Jory', at: '2026-11-24T08:20:00.000Z' }] : [];
  const opening = {
    id: 'door',
    record: { ...PLAIN_OPENING, presence: 'fitted', build },
    state: CHOSEN,
  } as unknown as PointOpening;
  return startValuePoints(job, [opening], 0.975).map(({ words, isHeld }) => ({ words, isHeld }));
}

test('how it was set is asked for once there is work, until all of it is written down', () => {
  expect(pointsOf({}, false)).toEqual([]);
  expect(pointsOf({}, true)).toEqual([{ words: 'Write down how it was set: 3 of 3 are left.', isHeld: false }]);
  const two = { 'Clean volume': '22', 'Gain, front left': '12 V' };
  expect(pointsOf(two, true)).toEqual([{ words: 'Write down how it was set: 1 of 3 is left.', isHeld: false }]);
  expect(pointsOf({ ...two, 'High-pass, Front door, left': '60 Hz' }, true)).toEqual([]);
});
