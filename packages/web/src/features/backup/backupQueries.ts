/** Queries of backups, making and restoring them, and the shop as a file. */
import {
  askBackup,
  BACKUP_UPLOAD_PATH,
  type Backup,
  backupSchema,
  listBackups,
  restoreBackup,
} from '@low-quarry/core/contracts/backup';
import { requirePassword } from '@low-quarry/core/contracts/sessions';
import { importShop } from '@low-quarry/core/contracts/shopFile';
import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { askAnew } from '../../api/askAnew';
import { call, sendFile } from '../../api/call';
import { setNotice } from '../../api/notice';
import { workQuery } from '../work/workQueries';

export const backupsQuery = queryOptions({
  queryKey: ['backups'],
  queryFn: ({ signal }) => call(listBackups, { params: {}, signal }),
  // A backup that ends while another screen is open tells nobody: whoever comes here asks.
  staleTime: 0,
});

function useChange<Input, Answer>(mutationFn: (input: Input) => Promise<Answer>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn,
    retry: false,
    onSuccess: () => askAnew(queries, backupsQuery.queryKey),
  });
}

export function useAskBackup() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (_: undefined) => call(askBackup, { params: {}, body: {} }),
    retry: false,
    onSuccess: () => askAnew(queries, workQuery.queryKey),
  });
}

export const useUploadBackup = () =>
  useChange(async (file: File): Promise<Backup> => {
    // Before a large file is on its way.
    await call(requirePassword, { params: {} });
    return backupSchema.parse(await sendFile(BACKUP_UPLOAD_PATH, file));
  });

/** Afterwards nothing that was shown is true, and everybody signs in again. */
export function useRestoreBackup(name: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (shopName: string) => call(restoreBackup, { params: { name }, body: { shopName } }),
    retry: false,
    onSuccess: ({ findings }) => {
      if (findings.length > 0) setNotice(`The shop was restored. In it, ${findings.join('; ')}.`);
      return queries.invalidateQueries({ queryKey: ['session'] });
    },
  });
}

export function useImportShop() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (file: File) => call(importShop, { params: {}, body: readJson(await file.text()) }),
    retry: false,
    onSuccess: () => queries.invalidateQueries(),
  });
}

function readJson(text: string): Record<string, unknown> {
  try {
    const json: unknown = JSON.parse(text);
    if (typeof json === 'object' && json !== null && !Array.isArray(json)) return json as Record<string, unknown>;
  } catch {
    // Told below, like everything that is no such file.
  }
  throw new Error('The file is not a shop file: an object in JSON was expected.');
}
