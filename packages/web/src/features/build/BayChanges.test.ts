import { expect, test } from '@jest/globals';
import type { Job } from '@low-quarry/core/contracts/jobs';
import { type Bay, NOTHING_DONE, type StepMark } from '@low-quarry/core/model';
import type { Entry, SaveRecord } from '../../outbox/Entry';
import type { WithBay } from '../../outbox/saved/savedBay';
import { BayChanges, bayEntries } from './BayChanges';

(globalThis as { window?: unknown }).window ??= { location: { pathname: '/' } };

const MARK: StepMark = { state: 'done', by: 'Rieke', at: '2026-12-04T09:00:00.000Z', print: '00000001' };
const JOB = {
  ...{ id: 'job', number: 1, version: 3, registration: 'P 1', vehicle: { make: 'Tollan', model: 'Skiff' } },
  bay: NOTHING_DONE,
} as Job;
const ticked =
  (id: string) =>
  (bay: Bay): Bay => ({ ...bay, steps: { ...bay.steps, [id]: MARK } });

/** An outbox that shows what is new at once, and what takes another's place only once it is written down. */
class SlowOutbox {
  readonly personId = 'rieke';
  list: readonly Entry[] = [];
  /** Done in the middle of the next writing. */
  meanwhile: (() => void) | null = null;
  entries = () => this.list;
  async add(entry: Entry): Promise<void> {
    this.list = [...this.list, entry];
    await Promise.resolve();
  }
  async replace(id: string, next: Entry): Promise<void> {
    await Promise.resolve();
    this.meanwhile?.();
    this.meanwhile = null;
    this.list = this.list.map((each) => (each.id === id ? next : each));
  }
  steps = () => bayEntries(this.list, JOB.id).map(({ record }) => Object.keys((record as WithBay).bay.steps).sort());
}

test('presses that come quicker than the device writes are one entry, with each of them; and are shown at once', async () => {
  const outbox = new SlowOutbox();
  const changes = new BayChanges(
    outbox,
    () => JOB,
    () => {},
  );
  const ids = ['a', 'b', 'c', 'd', 'e'];
  const all = ids.map((id) => changes.add(ticked(id)));
  expect(Object.keys(changes.onTopOf(NOTHING_DONE).steps)).toEqual(ids);
  await Promise.all(all);
  expect(outbox.steps()).toEqual([ids]);
  expect(changes.onTopOf(NOTHING_DONE)).toBe(NOTHING_DONE);
});

test('what is sent in the moment in which a press is written down is followed by another entry; nothing is lost', async () => {
  const outbox = new SlowOutbox();
  let job = JOB;
  const changes = new BayChanges(
    outbox,
    () => job,
    () => {},
  );
  await changes.add(ticked('a'));
  const [first] = bayEntries(outbox.list, JOB.id) as [SaveRecord];
  outbox.meanwhile = () => {
    outbox.list = [];
    job = { ...JOB, version: 4, bay: (first.record as WithBay).bay };
  };
  await changes.add(ticked('b'));
  expect(outbox.steps()).toEqual([['a', 'b']]);
  expect(bayEntries(outbox.list, JOB.id)[0]).toMatchObject({ version: 4, base: { bay: { steps: { a: MARK } } } });
});

test('what is put together with another’s tick meanwhile keeps it', async () => {
  const outbox = new SlowOutbox();
  const changes = new BayChanges(
    outbox,
    () => JOB,
    () => {},
  );
  await changes.add(ticked('a'));
  outbox.meanwhile = () => {
    outbox.list = bayEntries(outbox.list, JOB.id).map((each) => {
      const theirs = ticked('theirs')((each.record as WithBay).bay);
      return {
        ...each,
        id: 'again',
        version: 9,
        base: { bay: ticked('theirs')(NOTHING_DONE) },
        record: { bay: theirs },
      };
    });
  };
  await changes.add(ticked('b'));
  expect(outbox.steps()).toEqual([['a', 'b', 'theirs']]);
});

test('of another job, and of another kind, nothing is touched', async () => {
  const outbox = new SlowOutbox();
  const changes = new BayChanges(
    outbox,
    () => JOB,
    () => {},
  );
  const other = { kind: 'saveRecord', of: 'bay', recordId: 'other', id: 'x' } as Entry;
  outbox.list = [other];
  await changes.add(ticked('a'));
  expect(outbox.list[0]).toBe(other);
  expect(outbox.list).toHaveLength(2);
});
