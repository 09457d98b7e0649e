/** Sends one entry, and says what became of it. */

import { deleteChoice, putChoices } from '@low-quarry/core/contracts/choices';
import { createJob } from '@low-quarry/core/contracts/jobs';
import {
  addOpening,
  type Opening,
  openingSchema,
  putOpening,
  removeOpening,
} from '@low-quarry/core/contracts/openings';
import { addVehicle } from '@low-quarry/core/contracts/vehicles';
import { isSame, mergeChanges, OPENING_FIELDS } from '@low-quarry/core/records';
import { AwayError, call, ProblemError } from '../api/call';
import { lateCode, NotLoadedError } from '../ui/late';
import type { Entry, SaveOpening, SaveRecord } from './Entry';
import type { Sent } from './Sent';
import { sendPhoto } from './sendPhoto';

/** @param newId for a request that is another one than the refused */
export async function sendEntry(entry: Entry, newId: () => string): Promise<Sent> {
  try {
    return { kind: 'done', answer: await perform(entry) };
  } catch (error) {
    // Code that did not come says nothing of the entry: the network was gone before it was here.
    if (error instanceof AwayError || error instanceof NotLoadedError) return { kind: 'later' };
    if (!(error instanceof ProblemError)) throw error;
    const { status, type, detail, errors = [], current } = error.problem;
    // Too many at once passes too; nobody, or somebody else, is signed in: it waits for the one who did it.
    if (status === 401 || status === 429 || type === '/problems/other-person') return { kind: 'later' };
    const theirs = openingSchema.safeParse(current);
    if (entry.kind === 'saveOpening' && type === '/problems/version-conflict' && theirs.success)
      return resolve(entry, theirs.data, newId);
    if (entry.kind === 'saveRecord' && type === '/problems/version-conflict') {
      const resolved = await (await savedRecords()).resolveSaved(entry, current, newId);
      if (resolved) return resolved;
    }
    return { kind: 'replaced', entry: { ...entry, refused: { type, message: detail, errors } } };
  }
}

/** Their schemas come when the first of them is sent: most pages send none. */
const savedRecords = lateCode(() => import('./sendSaved'));

async function sendSaved(entry: SaveRecord): Promise<unknown> {
  return (await savedRecords()).putSaved(entry);
}

function perform(entry: Entry): Promise<unknown> {
  const common = { key: entry.id, personId: entry.personId };
  switch (entry.kind) {
    case 'saveOpening': {
      const { openingId, version, record } = entry;
      return call(putOpening, { params: { openingId }, body: { version, record }, ...common });
    }
    case 'keepChoices':
      return call(putChoices, { params: { jobId: entry.jobId }, body: { choices: entry.choices }, ...common });
    case 'removeChoice':
      return call(deleteChoice, { params: { openingId: entry.openingId, version: entry.version }, ...common });
    case 'bookIn':
      return call(createJob, { params: {}, body: entry.job, ...common });
    case 'addVehicle':
      return call(addVehicle, { params: {}, body: entry.vehicle, ...common });
    case 'addOpening':
      return call(addOpening, { params: { jobId: entry.jobId }, body: { record: entry.record }, ...common });
    case 'addPhoto':
      return sendPhoto(entry);
    case 'saveRecord':
      return sendSaved(entry);
    case 'removeOpening': {
      const { openingId, version } = entry;
      return call(removeOpening, { params: { openingId }, body: { version }, ...common });
    }
  }
}

/** Somebody saved in between: what does not overlap is put together, what does waits for the person. */
export function resolve(entry: SaveOpening, theirs: Opening, newId: () => string): Sent {
  const { merged, clashes } = mergeChanges(OPENING_FIELDS, entry.base, entry.record, theirs.record);
  if (clashes.length > 0) return { kind: 'replaced', entry: { ...entry, clash: theirs } };
  if (isSame(merged, theirs.record)) return { kind: 'done', answer: theirs };
  const again = { ...entry, id: newId(), version: theirs.version, base: theirs.record, record: merged, clash: null };
  return { kind: 'replaced', entry: again };
}
