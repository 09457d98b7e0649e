/**
 * fit OPENING.json PARTS.json: prints a fit report as JSON. Exit status 0 when it is printed, 2 for a file that cannot be
 * read or is wrong: then standard error says the path inside the file, what stood there, and what is expected.
 */
import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import { fitReportText } from '@low-quarry/core/formats/fitReport';
import { openingFileSchema } from '@low-quarry/core/formats/openingFile';
import { partsFileSchema } from '@low-quarry/core/formats/partsFile';
import { explainFileFailure, readFile } from '@low-quarry/core/formats/readFile';
import type { z } from 'zod';

const BAD_FILE = 2;

class BadFile extends Error {}

function read<Schema extends z.ZodType>(file: string, schema: Schema): z.output<Schema> {
  let text: string;
  try {
    text = readFileSync(file, 'utf8');
  } catch (error) {
    throw new BadFile(`${file}: it cannot be read (${error instanceof Error ? error.message : String(error)}).`);
  }
  const result = readFile(text, schema);
  if (!result.ok) throw new BadFile(explainFileFailure(file, result.failure));
  return result.value;
}

try {
  const [openingPath, partsPath, ...more] = process.argv.slice(2);
  if (!openingPath || !partsPath || more.length > 0) {
    throw new BadFile('Give two files: npm run --silent fit -- OPENING.json PARTS.json');
  }
  const [opening, parts] = [read(openingPath, openingFileSchema), read(partsPath, partsFileSchema)];
  for (const text of fitReportText(opening, parts))
    if (!process.stdout.write(text)) await once(process.stdout, 'drain');
} catch (error) {
  if (!(error instanceof BadFile)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = BAD_FILE;
}
