/** Presses what is served together once, when it is built, and harder than a server would at every request. */
import { readdirSync } from 'node:fs';
import { readFile, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, gzip, constants as zlib } from 'node:zlib';
import type { Plugin } from 'vite';

/** What is pressed already gets no smaller. */
const WORTH_PRESSING = /\.(js|css|svg)$/;

/** Writes `name.br` and `name.gz` beside each file below `dir` that gets smaller by it; over plain http browsers take gzip alone. */
export function pressed(dir: string): Plugin {
  return {
    name: 'pressed',
    apply: 'build',
    closeBundle: {
      order: 'post',
      sequential: true,
      async handler() {
        const names = readdirSync(dir).filter((name) => WORTH_PRESSING.test(name));
        await Promise.all(names.map((name) => press(path.join(dir, name))));
      },
    },
  };
}

async function press(file: string): Promise<void> {
  const plain = await readFile(file);
  const params = { [zlib.BROTLI_PARAM_SIZE_HINT]: plain.length };
  await Promise.all([
    promisify(brotliCompress)(plain, { params }).then((bytes) => writeFile(`${file}.br`, bytes)),
    promisify(gzip)(plain, { level: zlib.Z_BEST_COMPRESSION }).then((bytes) => writeFile(`${file}.gz`, bytes)),
  ]);
}
