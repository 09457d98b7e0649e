/** The generic goods that came with the program, for a shop's first start: fasteners, clips, wire, terminals, sheet stock. */
import * as files from 'node:fs/promises';
import path from 'node:path';
import { explainFileFailure, type PartsFile, partsFileSchema, readFile } from '@low-quarry/core/formats';
import type { Logger } from 'pino';

/** What it is called in the history of a shop. */
export const STARTER_PACK = 'Starter pack';

const NAME = 'goods.json';

/** @returns null where somebody changed the file and broke it: the shop starts without, and the log says what is wrong with it */
export async function readGoods(starterDir: string, log: Logger): Promise<PartsFile | null> {
  const read = readFile(await files.readFile(path.join(starterDir, NAME), 'utf8'), partsFileSchema);
  if (read.ok) return read.value;
  log.error({ file: NAME }, explainFileFailure(NAME, read.failure));
  return null;
}
