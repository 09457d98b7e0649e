/** Bringing a whole shop in from its open file. */
import { z } from 'zod';
import { contract } from './contract';

/** Read by `shopFileSchema` on the server; here only told apart from nothing. */
export const importShop = contract({
  method: 'post',
  path: '/api/import',
  permission: 'backup',
  params: z.object({}),
  body: z.record(z.string(), z.unknown()),
  answer: z.object({
    jobs: z.int(),
    parts: z.int(),
    vehicles: z.int(),
    changes: z.int(),
    findings: z.array(z.string()),
  }),
});
