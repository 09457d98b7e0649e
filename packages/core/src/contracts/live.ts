/** What is told to open screens when a record changes: a line of server-sent events a change. */
import { z } from 'zod';
import { RECORD_KINDS } from '../records';

export const LIVE_PATH = '/api/events';

export const liveChangeSchema = z.object({
  id: z.int(),
  personId: z.string().nullable(),
  personName: z.string(),
  deviceName: z.string(),
  kind: z.enum(RECORD_KINDS),
  recordId: z.string(),
  jobId: z.string().nullable(),
  /** The record is not there any more: who asked for it would not find it. */
  isGone: z.boolean(),
  /** Such as "measured Front door, left". */
  headline: z.string(),
  /** What the job's car is called; null for no job, and for one that is in the bin. */
  car: z.string().nullable(),
});
export type LiveChange = z.infer<typeof liveChangeSchema>;
