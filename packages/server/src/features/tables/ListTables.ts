/** Gathers what a list shows, all pages of it, as a table. */
import { type JobInList, listJobs } from '@low-quarry/core/contracts/jobs';
import type { listTable } from '@low-quarry/core/contracts/tables';
import type { EntityManager } from 'typeorm';
import type { z } from 'zod';
import { refused } from '../../http/AppError';
import type { Table } from '../../http/writeTable';
import type { RunTask } from '../../tasks/tasks';
import { Disagreeing } from '../fit/Disagreeing';
import { PartPlaces } from '../fit/PartPlaces';
import { PartsServing } from '../fit/PartsServing';
import type { JobsService } from '../jobs/JobsService';
import { SettingsStore } from '../settings/SettingsStore';
import { ShelfStore } from '../shelf/ShelfStore';
import { disagreementsTable, jobsTable, placesTable, servingTable, shelfTable } from './rowsOf';

/** More rows than a person looks through; a spreadsheet takes a million. */
const MOST_LOTS = 20_000;
const MOST_JOBS = 2000;

export class ListTables {
  constructor(
    private readonly manager: EntityManager,
    private readonly jobs: JobsService,
    private readonly runTask: RunTask,
  ) {}

  async of(params: z.output<typeof listTable.params>, gone: AbortSignal): Promise<Table> {
    const { list, id, find, by } = params;
    const { manager, runTask } = this;
    switch (list) {
      case 'shelf': {
        const { lots, total } = await new ShelfStore(manager).list({ find, page: 1, pageSize: MOST_LOTS });
        requireWhole(total, MOST_LOTS, 'lots');
        return shelfTable(lots);
      }
      case 'places':
        return placesTable(await new PartPlaces(manager, runTask).of(id, gone));
      case 'disagreements': {
        const { currency } = await new SettingsStore(manager).get();
        return disagreementsTable(await new Disagreeing(manager, runTask).all(gone), currency);
      }
      case 'serving':
        return servingTable(await new PartsServing(manager, runTask).most(by, gone));
      case 'jobs':
        return jobsTable(await this.allJobs(params));
    }
  }

  private async allJobs({
    jobs: list,
    find,
    sort,
    dueBy,
    waits,
  }: z.output<typeof listTable.params>): Promise<readonly JobInList[]> {
    const all: JobInList[] = [];
    for (let page = 1; ; page++) {
      const { jobs, total } = listJobs.answer.parse(await this.jobs.list({ list, find, sort, dueBy, waits, page }));
      requireWhole(total, MOST_JOBS, 'jobs');
      all.push(...jobs);
      if (jobs.length === 0 || all.length >= total) return all;
    }
  }
}

/** A file that ends before its list does would look whole. */
function requireWhole(total: number, most: number, what: string): void {
  if (total <= most) return;
  const message = `${total} ${what} are found, and a file takes ${most}. Find fewer of them first.`;
  throw refused(message, [{ path: 'find', message }]);
}
