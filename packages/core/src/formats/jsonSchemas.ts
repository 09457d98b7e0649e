/** The file formats as JSON Schema (draft 2020-12), for programs that write or check such files. */
import { z } from 'zod';
import { fitReportSchema } from './fitReport';
import { openingFileSchema } from './openingFile';
import { partsFileSchema } from './partsFile';

export const JSON_SCHEMAS = {
  opening: z.toJSONSchema(openingFileSchema, { io: 'input' }),
  parts: z.toJSONSchema(partsFileSchema, { io: 'input' }),
  'fit-report': z.toJSONSchema(fitReportSchema, { io: 'output' }),
};
