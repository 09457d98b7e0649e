import { listTable } from '@low-quarry/core/contracts/tables';
import type { Router } from 'express';
import type { DataSource } from 'typeorm';
import { heavyLimit } from '../../http/heavyLimit';
import { fileRoute } from '../../http/route';
import { TABLE_TYPES, writeTable } from '../../http/writeTable';
import type { RunTask } from '../../tasks/tasks';
import type { JobsService } from '../jobs/JobsService';
import { ListTables } from './ListTables';

export function tablesRoutes(router: Router, heavy: DataSource, jobs: JobsService, runTask: RunTask): void {
  const tables = new ListTables(heavy.manager, jobs, runTask);
  router.use(listTable.path, heavyLimit());
  fileRoute(router, listTable, async ({ params, gone }) => {
    const { list, format } = params;
    const bytes = await writeTable(format, await tables.of(params, gone));
    return { name: `${list}.${format}`, type: TABLE_TYPES[format], bytes };
  });
}
