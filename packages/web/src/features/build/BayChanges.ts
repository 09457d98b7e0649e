/**
 * Changes of what was done of a plan, one after the other: each is made on what waits to be sent by then, or on what the shop has, so that one
 * that is made before another is written down loses nothing of it. A day without the network is one entry of the outbox, not one for each press.
 */
import type { Job } from '@low-quarry/core/contracts/jobs';
import { type Bay, jobTitle } from '@low-quarry/core/model';
import { type Entry, needsPerson, type SaveRecord } from '../../outbox/Entry';
import type { Outbox } from '../../outbox/Outbox';
import type { WithBay } from '../../outbox/saved/savedBay';
import { newId } from '../../ui/newId';

type Make = (bay: Bay) => Bay;
/** What of the outbox this needs. */
type Entries = Pick<Outbox, 'personId' | 'entries' | 'add' | 'replace'>;

export class BayChanges {
  private pending: readonly Make[] = [];
  private last: Promise<void> = Promise.resolve();

  /**
   * @param job as it is known now
   * @param tell what is pending is another one
   */
  constructor(
    private readonly outbox: Entries,
    private readonly job: () => Job,
    private readonly tell: () => void,
  ) {}

  /** What is so, with what is not written down yet. */
  onTopOf(bay: Bay): Bay {
    return this.pending.reduce((before, make) => make(before), bay);
  }

  /** @returns when it is on the device, or known not to be */
  add(make: Make): Promise<void> {
    this.pending = [...this.pending, make];
    this.tell();
    this.last = this.last.then(async () => {
      await this.write(make);
      this.pending = this.pending.filter((each) => each !== make);
      this.tell();
    });
    return this.last;
  }

  private async write(make: Make): Promise<void> {
    for (;;) {
      const job = this.job();
      const last = bayEntries(this.outbox.entries(), job.id).at(-1);
      if (!last || needsPerson(last)) {
        const from = last ? (last.record as WithBay).bay : job.bay;
        return this.outbox.add(entryOf(job, this.outbox.personId, from, make(from)));
      }
      const again = { ...last, id: newId(), at: new Date().toISOString() };
      await this.outbox.replace(last.id, { ...again, record: { bay: make((last.record as WithBay).bay) } });
      // It was sent, or put together with another's, in that moment: then it is made on what there is now.
      if (this.outbox.entries().some(({ id }) => id === again.id)) return;
    }
  }
}

/** What waits of a job's, the last that was done last. */
export function bayEntries(entries: readonly Entry[], jobId: string): readonly SaveRecord[] {
  return entries.filter(
    (entry): entry is SaveRecord => entry.kind === 'saveRecord' && entry.of === 'bay' && entry.recordId === jobId,
  );
}

function entryOf(job: Job, personId: string, base: Bay, next: Bay): SaveRecord {
  return {
    kind: 'saveRecord',
    ...{ id: newId(), personId, at: new Date().toISOString(), refused: null, clash: null },
    label: `What was done of ${jobTitle(job)}`,
    ...{ of: 'bay', recordId: job.id, version: job.version, base: { bay: base }, record: { bay: next } },
    ...{ formName: `bay.${job.id}`, draft: '', page: window.location.pathname },
  };
}
