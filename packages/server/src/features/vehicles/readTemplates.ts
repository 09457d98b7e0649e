/** The body templates that came with the program: one JSON file each, named by its id. */
import * as files from 'node:fs/promises';
import path from 'node:path';
import type { ListedTemplate } from '@low-quarry/core/contracts/vehicles';
import { bodyTemplateSchema, explainFileFailure, readFile } from '@low-quarry/core/formats';
import type { Logger } from 'pino';

const ENDING = '.json';

/** In the order of their names. A file that somebody changed and broke is left out, and the log says what is wrong with it. */
export async function readTemplates(starterDir: string, log: Logger): Promise<readonly ListedTemplate[]> {
  const dir = path.join(starterDir, 'bodies');
  const templates: ListedTemplate[] = [];
  for (const name of (await files.readdir(dir)).filter((each) => each.endsWith(ENDING)).sort()) {
    const read = readFile(await files.readFile(path.join(dir, name), 'utf8'), bodyTemplateSchema);
    if (read.ok) templates.push({ id: name.slice(0, -ENDING.length), template: read.value });
    else log.error({ file: name }, explainFileFailure(name, read.failure));
  }
  return templates.sort((a, b) => a.template.name.localeCompare(b.template.name, 'en'));
}
