/** Backups of the whole shop, and the shop as an open file. */
import { z } from 'zod';
import { contract, nothing } from './contract';
import { workSchema } from './work';

/** Names are made by the program: nothing of a path can be in one. */
export const backupNameSchema = z.string().regex(/^[a-z]+-\d{8}-\d{6}(-\d+)?\.lqbackup$/);

export const backupSchema = z.object({
  name: backupNameSchema,
  madeAt: z.iso.datetime(),
  bytes: z.int(),
  why: z.enum(['nightly', 'asked', 'upload', 'before']),
});
export type Backup = z.infer<typeof backupSchema>;

/** What came of restoring a backup into a database of its own, to see whether it can be done. */
export const trialSchema = z.object({
  name: backupNameSchema,
  triedAt: z.iso.datetime(),
  /** Null when it went well. */
  fault: z.string().nullable(),
  /** When the last one was made that could be restored. */
  lastGoodMadeAt: z.iso.datetime().nullable(),
});
export type Trial = z.infer<typeof trialSchema>;

export const listBackups = contract({
  method: 'get',
  path: '/api/backups',
  permission: 'readBackups',
  params: z.object({}),
  body: nothing,
  answer: z.object({
    backups: z.array(backupSchema),
    /** Why the last nightly one could not be made; null when it could. */
    nightlyFault: z.string().nullable(),
    /** Null where none was tried yet. */
    lastTrial: trialSchema.nullable(),
  }),
});

/** Asks for a backup; the answer says how far it is. */
export const askBackup = contract({
  method: 'post',
  path: '/api/backups',
  permission: 'backup',
  params: z.object({}),
  body: z.strictObject({}),
  answer: workSchema,
});

/** Everything in the shop becomes what the backup holds; everybody signs in again. */
export const restoreBackup = contract({
  method: 'post',
  path: '/api/backups/:name/restore',
  permission: 'backup',
  params: z.object({ name: backupNameSchema }),
  body: z.strictObject({ shopName: z.string() }),
  answer: z.object({
    madeAt: z.iso.datetime(),
    keptAs: backupNameSchema,
    /** What in it does not go together and can be lived with. */
    findings: z.array(z.string()),
  }),
});

export const BACKUP_FILE_PATH = '/api/backups/:name/file';
export const BACKUP_UPLOAD_PATH = '/api/backups/upload';
export const EXPORT_PATH = '/api/export';
export const EXPORT_CSV_PATH = '/api/export/:table';
