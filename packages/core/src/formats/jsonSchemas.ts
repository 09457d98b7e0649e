/** The file formats as JSON Schema (draft 2020-12), for programs that write or check such files. */
import { z } from 'zod';
import { bodyTemplateSchema } from './bodyTemplate';
import { fitReportSchema } from './fitReport';
import { openingFileSchema } from './openingFile';
import { partsFileSchema } from './partsFile';
import { shopFileSchema } from './shopFile';

export const JSON_SCHEMAS = {
  opening: z.toJSONSchema(openingFileSchema, { io: 'input' }),
  'body-template': z.toJSONSchema(bodyTemplateSchema, { io: 'input' }),
  parts: z.toJSONSchema(partsFileSchema, { io: 'input' }),
  // Records come in it several times: each is described once.
  shop: z.toJSONSchema(shopFileSchema, { io: 'input', reused: 'ref' }),
  'fit-report': z.toJSONSchema(fitReportSchema, { io: 'output' }),
};
