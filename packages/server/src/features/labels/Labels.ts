/** What the labels say that somebody asks for, and what has a code that was read. */
import { partSays } from '@low-quarry/core/catalogue';
import { type CodeRead, type labelsFile, MOST_LABELS } from '@low-quarry/core/contracts/labels';
import type { ListedLot } from '@low-quarry/core/contracts/shelf';
import { jobCode, lotCode, vehicleName } from '@low-quarry/core/model';
import type { EntityManager } from 'typeorm';
import type { z } from 'zod';
import { notFound, refused } from '../../http/AppError';
import { JobsStore } from '../jobs/JobsStore';
import { PartsStore } from '../library/PartsStore';
import { ShelfStore } from '../shelf/ShelfStore';
import type { Label } from './writeLabels';

export class Labels {
  private readonly shelf: ShelfStore;
  private readonly jobs: JobsStore;
  private readonly parts: PartsStore;

  constructor(manager: EntityManager) {
    this.shelf = new ShelfStore(manager);
    this.jobs = new JobsStore(manager);
    this.parts = new PartsStore(manager);
  }

  /** @throws AppError where there is nothing to label, or too much for one go */
  async asked({ of, id, find, copies }: z.output<typeof labelsFile.params>): Promise<readonly Label[]> {
    const once =
      of === 'lots' ? await this.ofLots(id, find) : [of === 'job' ? await this.ofJob(id) : await this.ofPart(id)];
    if (once.length === 0) throw refused(`No lot on the shelf has “${find}” in it.`, []);
    if (once.length * copies > MOST_LABELS) {
      const message = `${once.length * copies} labels were asked for; ${MOST_LABELS} are made at once. Find fewer lots, or make fewer copies.`;
      throw refused(message, [{ path: 'copies', message }]);
    }
    return once.flatMap((label) => Array.from({ length: copies }, () => label));
  }

  /** A lot, a job, and parts whose id, number or other name is just this, in whatever letters. */
  async read(code: string): Promise<CodeRead> {
    const lotNumber = numberIn(code, 'S');
    const jobNumber = numberIn(code, 'J');
    const lot = lotNumber === null ? null : await this.shelf.findNumbered(lotNumber);
    const job = jobNumber === null ? null : await this.jobs.findNumbered(jobNumber);
    const labels = lot ? await this.shelf.labels([lot.partId]) : new Map<string, string>();
    return {
      lot: lot && { ...lot, label: labels.get(lot.partId) ?? lot.partId },
      job: job && {
        id: job.id,
        number: job.number,
        registration: job.registration,
        car: vehicleName(job.vehicle),
      },
      parts: [...(await this.parts.withCode(code))],
    };
  }

  private async ofLots(id: string, find: string): Promise<readonly Label[]> {
    const asked = id === '' ? { find } : { find: '', id };
    const { lots } = await this.shelf.list({ ...asked, page: 1, pageSize: MOST_LABELS + 1 });
    return lots.map(lotLabel);
  }

  private async ofJob(id: string): Promise<Label> {
    const job = await this.jobs.find(id);
    if (!job) throw notFound('job');
    const code = jobCode(job.number);
    return {
      code,
      head: job.registration === '' ? [code] : [code, job.registration],
      lines: [vehicleName(job.vehicle), job.customer].filter(Boolean),
    };
  }

  private async ofPart(id: string): Promise<Label> {
    const part = await this.parts.findPart(id);
    if (!part) throw notFound('part');
    if (!part.record.ok) throw refused(`The part cannot be read (${part.record.failure}).`, []);
    const { maker, name } = part.record.value;
    return { code: id, head: [name], lines: [maker, partSays(part.record.value), id].filter(Boolean) };
  }
}

function lotLabel({ number, place, label, job, from }: ListedLot): Label {
  const code = lotCode(number);
  return {
    code,
    head: [code, place],
    lines: [label, job ? `for job ${job.number}, ${job.registration}` : '', from && `from: ${from}`].filter(Boolean),
  };
}

/** "S17", "s 17": 17. */
function numberIn(code: string, letter: string): number | null {
  const [, digits] = new RegExp(`^${letter}\\s*(\\d{1,9})$`, 'i').exec(code) ?? [];
  return digits === undefined ? null : Number(digits);
}
