/** The shop's settings. */
import { z } from 'zod';
import { settingsSchema } from '../model';
import { contract, nothing } from './contract';

export const getSettings = contract({
  method: 'get',
  path: '/api/settings',
  permission: 'read',
  params: z.object({}),
  body: nothing,
  answer: z.object({
    version: z.int(),
    settings: settingsSchema,
    /** Why what is kept cannot be read; then the settings are what could be, and defaults, until somebody saves them. */
    unreadable: z.string().nullable(),
  }),
});

export const putSettings = contract({
  method: 'put',
  path: '/api/settings',
  permission: 'settings',
  params: z.object({}),
  body: z.strictObject({ version: z.int().min(1), settings: settingsSchema }),
  answer: z.object({
    version: z.int(),
    settings: settingsSchema,
    /** What is chosen and names something that these settings no longer have, in sentences. */
    findings: z.array(z.string()),
  }),
});
