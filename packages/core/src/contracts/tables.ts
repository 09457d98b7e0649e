/** Lists as files for other programs, with the rows that the screen shows. */
import { z } from 'zod';
import { contract, nothing } from './contract';
import { JOB_LISTS, listJobs } from './jobs';
import { SERVED_BY } from './servesMost';
import { TABLE_FORMATS } from './tableFormats';

export const TABLES_OUT = ['shelf', 'places', 'disagreements', 'serving', 'jobs'] as const;
export type TableOut = (typeof TABLES_OUT)[number];

export const listTable = contract({
  method: 'get',
  path: '/api/tables',
  permission: 'read',
  params: z.object({
    list: z.enum(TABLES_OUT),
    format: z.enum(TABLE_FORMATS),
    /** Of the part that is looked for in every opening. */
    id: z.string().max(80).default(''),
    /** Words that the shelf or the jobs are found by. */
    find: z.string().max(100).default(''),
    by: z.enum(SERVED_BY).default('clears'),
    jobs: z.enum(JOB_LISTS).default('open'),
    ...listJobs.params.pick({ sort: true, dueBy: true, waits: true }).shape,
  }),
  body: nothing,
  /** The file. */
  answer: z.unknown(),
});
