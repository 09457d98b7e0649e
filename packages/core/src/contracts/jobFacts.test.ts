import { describe, expect, test } from '@jest/globals';
import { shopFileSchema } from '../formats/shopFile';
import { JOB_FACT_KEYS, type JobFacts, jobFactLabel, jobFactsOf, jobStateSchema, jobTitle } from '../model/job';
import { JOB_FIELDS } from '../records/kinds/job';
import { recordDifferences } from '../records/recordDifferences';
import { readStored } from '../records/storedRecord';
import { jobSchema, newJobSchema, putJob } from './jobs';

const FACTS: JobFacts = { customer: 'Pilot station', registration: 'P 1', wants: 'louder', dueOn: '2026-03-04' };

describe('whoever adds a fact of a job adds it to', () => {
  const places: readonly (readonly [string, readonly string[]])[] = [
    ['what is asked when a car is booked in', Object.keys(newJobSchema.shape)],
    ['what can be changed', Object.keys(putJob.body.shape)],
    ['what is answered', Object.keys(jobSchema.shape)],
    ['what its history keeps', Object.keys(jobStateSchema.shape)],
    ['what is merged', JOB_FIELDS.map(({ path }) => path)],
    ['the shop file', Object.keys(shopFileSchema.shape.jobs.element.shape)],
  ];
  test.each(places)('%s', (_, keys) => {
    expect(JOB_FACT_KEYS.filter((key) => !keys.includes(key))).toEqual([]);
  });

  test('the differences that the history tells', () => {
    const before = { vehicleId: 'veh-1', ...FACTS, ended: null };
    for (const key of JOB_FACT_KEYS) {
      const after = { ...before, [key]: 'another' };
      expect(recordDifferences('job', before, after).map(({ label }) => label)).toEqual([jobFactLabel(key)]);
    }
  });
});

test('an end is told as a standing', () => {
  const open = { vehicleId: 'veh-1', ...FACTS, ended: null };
  const ended = { ...open, ended: { as: 'handedOver', at: '2026-03-04T10:00:00.000Z' } };
  expect(recordDifferences('job', open, ended)).toEqual([
    expect.objectContaining({ label: 'Standing', before: 'open', after: 'handed over' }),
  ]);
});

test('a state from before jobs ended is one of an open job', () => {
  expect(readStored('job', { vehicleId: 'veh-1', ...FACTS })).toEqual({
    ok: true,
    value: { vehicleId: 'veh-1', ...FACTS, ended: null },
  });
});

test('the facts alone, and what a job is called', () => {
  expect(jobFactsOf({ ...FACTS, more: 1 } as JobFacts)).toEqual(FACTS);
  const vehicle = { make: 'Ostrand', model: 'Longshore' };
  expect(jobTitle({ vehicle, registration: 'P 1', number: 3 })).toBe('Ostrand Longshore, P 1');
  expect(jobTitle({ vehicle, registration: '', number: 3 })).toBe('Ostrand Longshore, job 3');
});
