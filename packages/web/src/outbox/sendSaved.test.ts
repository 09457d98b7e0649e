import { afterEach, expect, jest, test } from '@jest/globals';
import { type Job, jobSchema, newJobSchema } from '@low-quarry/core/contracts/jobs';
import {
  type Bay,
  intakeFactsOf,
  jobFactsOf,
  type StepMark,
  type VehicleRecord,
  vehicleSchema,
} from '@low-quarry/core/model';
import type { SaveRecord } from './Entry';
import { toKept } from './keptEntries';
import { readEntry } from './readEntry';
import { rebased } from './rebased';
import { sendEntry } from './sendEntry';

const ID = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const SKIFF = vehicleSchema.parse({
  ...{ id: 'veh', make: 'Tollan', model: 'Skiff', years: { from: 2018, to: null }, body: 'estate', doors: 5 },
  ...{ trim: '', audioPackage: '', steeringSide: 'left', openings: [] },
});
const { openings: _, ...VARIANT } = SKIFF;
const JOB: Job = jobSchema.parse({
  ...{ id: ID(900), number: 1, version: 3, ended: null, vehicle: VARIANT },
  ...jobFactsOf(newJobSchema.parse({ vehicleId: 'v', customer: 'Vet', registration: '', wants: '', dueOn: null })),
});
const entryOf = (
  of: SaveRecord['of'],
  base: object,
  record: object,
  changes: Partial<SaveRecord> = {},
): SaveRecord => ({
  ...{ kind: 'saveRecord', id: ID(1), personId: ID(2), at: '2026-03-02T10:00:00.000Z', label: '', refused: null },
  ...{ of, recordId: of === 'vehicle' ? 'veh' : ID(900), version: 1, base, record, clash: null },
  ...{ formName: 'form', draft: '', page: '/vehicles/veh' },
  ...changes,
});
const vehicle = (changes: Partial<VehicleRecord>, entry: Partial<SaveRecord> = {}) =>
  entryOf('vehicle', SKIFF, { ...SKIFF, ...changes }, entry);

type Asked = { readonly address: string; readonly key: string | undefined; readonly body: Record<string, unknown> };
const realFetch = globalThis.fetch;
afterEach(() => {
  globalThis.fetch = realFetch;
});

/** A server that gives these answers, one after the other. */
function answering(...answers: readonly (readonly [status: number, body: unknown])[]): Asked[] {
  const asked: Asked[] = [];
  globalThis.fetch = jest.fn<typeof fetch>(async (address, init) => {
    const headers = new Headers(init?.headers);
    const key = headers.get('Idempotency-Key') ?? undefined;
    asked.push({ address: String(address), key, body: JSON.parse(String(init?.body)) });
    const [status, body] = answers[asked.length - 1] ?? [500, {}];
    return new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } });
  });
  return asked;
}
const conflict = (current: unknown) =>
  [409, { type: '/problems/version-conflict', title: '', status: 409, detail: 'Changed.', current }] as const;
const newId = () => ID(77);

test('it is on the device as it was handed over', () => {
  const entry = vehicle({ trim: 'Middle' });
  expect(readEntry(JSON.parse(JSON.stringify(toKept(entry))), ID(2))).toEqual(entry);
});

test('it is sent on the version it was typed on, once, under its own id', async () => {
  const asked = answering([200, { version: 2, record: { ...SKIFF, trim: 'Middle' } }]);
  const sent = await sendEntry(vehicle({ trim: 'Middle' }), newId);
  expect(sent).toMatchObject({ kind: 'done', answer: { version: 2, record: { trim: 'Middle' } } });
  expect(asked).toMatchObject([
    { address: '/api/vehicles/veh', key: ID(1), body: { version: 1, record: { trim: 'Middle' } } },
  ]);
});

test('what somebody else saved in another field comes in with it, as a new request on their version', async () => {
  answering(conflict({ version: 5, record: { ...SKIFF, audioPackage: 'Six' } }));
  expect(await sendEntry(vehicle({ trim: 'Middle' }), newId)).toMatchObject({
    kind: 'replaced',
    entry: { id: ID(77), version: 5, record: { trim: 'Middle', audioPackage: 'Six' }, clash: null, refused: null },
  });
});

test('the same field waits for the person, with what the shop has', async () => {
  answering(conflict({ version: 5, record: { ...SKIFF, trim: 'Top' } }));
  expect(await sendEntry(vehicle({ trim: 'Middle' }), newId)).toMatchObject({
    kind: 'replaced',
    entry: { id: ID(1), version: 1, record: { trim: 'Middle' }, clash: { version: 5, record: { trim: 'Top' } } },
  });
});

test('what the shop has already is done', async () => {
  answering(conflict({ version: 5, record: { ...SKIFF, trim: 'Middle' } }));
  expect((await sendEntry(vehicle({ trim: 'Middle' }), newId)).kind).toBe('done');
});

test('two parts of one job do not clash: the version of the second is only behind', async () => {
  const { baseline } = JOB;
  const tried = { ...baseline, radio: 'Flat' };
  answering(conflict({ ...JOB, version: 9, contact: 'VHF 12' }));
  const sent = await sendEntry(entryOf('baseline', { baseline }, { baseline: tried }), newId);
  expect(sent).toMatchObject({
    kind: 'replaced',
    entry: { version: 9, clash: null, record: { baseline: { radio: 'Flat' } } },
  });
});

test('two tablets that ticked the same step, and others: each tick is there, and who was first did it', async () => {
  const mark = (by: string, minute: number): StepMark => ({
    ...{ state: 'done', by, at: `2026-03-02T10:0${minute}:00.000Z`, print: '00000001' },
  });
  const bay = (steps: Bay['steps']): Bay => ({ steps, found: [] });
  const mine = bay({ off: mark('Rieke', 2), lamp: mark('Rieke', 3) });
  const theirs = { ...JOB, version: 9, bay: bay({ off: mark('Jory', 1), plug: mark('Jory', 4) }) };
  answering(conflict(theirs));
  const sent = await sendEntry(entryOf('bay', { bay: bay({}) }, { bay: mine }), newId);
  const off = { ...mark('Jory', 1), also: ['Rieke'] };
  expect(sent).toMatchObject({ kind: 'replaced', entry: { version: 9, clash: null, refused: null } });
  expect(sent.kind === 'replaced' && (sent.entry as SaveRecord).record).toEqual({
    bay: bay({ off, lamp: mark('Rieke', 3), plug: mark('Jory', 4) }),
  });
});

test('one counted four and the other three: that waits for a person', async () => {
  const counted = (by: string, pieces: number): Bay => ({
    ...{ found: [] },
    steps: {
      off: {
        ...{ state: 'done', by, at: '2026-03-02T10:00:00.000Z', print: '00000001' },
        counted: { pieces, broken: 0, replaced: 0 },
      },
    },
  });
  answering(conflict({ ...JOB, version: 9, bay: counted('Jory', 3) }));
  const before: Bay = { steps: {}, found: [] };
  const sent = await sendEntry(entryOf('bay', { bay: before }, { bay: counted('Rieke', 4) }), newId);
  expect(sent).toMatchObject({
    kind: 'replaced',
    entry: { clash: { version: 9, record: { bay: counted('Jory', 3) } } },
  });
});

test('what was asked goes to its own address, whole', async () => {
  const facts = { ...intakeFactsOf(JOB), contact: 'VHF 12' };
  const asked = answering([200, { ...JOB, ...facts, version: 4 }]);
  expect((await sendEntry(entryOf('intake', intakeFactsOf(JOB), facts, { version: 3 }), newId)).kind).toBe('done');
  expect(asked).toMatchObject([{ address: `/api/jobs/${ID(900)}`, body: { version: 3, contact: 'VHF 12' } }]);
});

test('why it is refused is kept with its kind, so that its form can offer what helps', async () => {
  const problem = { type: '/problems/not-yours', title: '', status: 403, detail: 'Jory wrote it.', errors: [] };
  answering([403, problem]);
  expect(await sendEntry(vehicle({ trim: 'Middle' }), newId)).toMatchObject({
    kind: 'replaced',
    entry: { refused: { type: '/problems/not-yours', message: 'Jory wrote it.' } },
  });
});

test('while nobody answers it waits', async () => {
  globalThis.fetch = jest.fn<typeof fetch>(() => Promise.reject(new TypeError('no route')));
  expect(await sendEntry(vehicle({ trim: 'Middle' }), newId)).toEqual({ kind: 'later' });
});

test('what was kept and is no such record is not sent: the fault names the field', async () => {
  const asked = answering();
  await expect(sendEntry(entryOf('vehicle', SKIFF, { ...SKIFF, doors: 'many' }), newId)).rejects.toThrow('doors');
  expect(asked).toEqual([]);
});

test('what was typed on top of it builds on what the shop has after it; another record does not', async () => {
  const first = vehicle({ trim: 'Middle' });
  const second = vehicle({ trim: 'Middle', note: 'Dented' }, { id: ID(3) });
  const other = vehicle({ note: 'Another' }, { id: ID(4), recordId: 'other' });
  const now = { version: 6, record: { ...SKIFF, trim: 'Middle', audioPackage: 'Six' } };
  expect(await rebased([first, second, other], first, now)).toMatchObject([
    { id: ID(3), version: 6, base: now.record, record: { trim: 'Middle', note: 'Dented', audioPackage: 'Six' } },
  ]);
});
