/** Builds web application and server, unless nothing they are made of has changed since. */
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { ROOT, SERVER_MAIN, Stop, say, WEB_DIST } from './project.mjs';
import { capture } from './run.mjs';

const SOURCES = [
  'package-lock.json',
  'packages/core/src',
  'packages/server/src',
  'packages/server/vite.config.ts',
  'packages/web',
];
const STAMP = path.join(ROOT, 'packages/web/dist/.built-from');

export async function ensureBuild() {
  const made = fingerprint();
  if (existsSync(SERVER_MAIN) && existsSync(STAMP) && readFileSync(STAMP, 'utf8') === made) return;
  say('Building …');
  await Promise.all(['web', 'server'].map(buildOf));
  if (!existsSync(path.join(WEB_DIST, 'index.html'))) throw new Stop('The build left no web application behind.');
  writeFileSync(STAMP, made);
}

async function buildOf(name) {
  const cwd = path.join(ROOT, 'packages', name);
  const { code, output } = await capture(viteBin(), ['build', '--logLevel', 'warn'], { cwd });
  if (code !== 0) throw new Stop(`Building ${name} failed.\n${output}`);
}

export const viteBin = () => path.join(ROOT, 'node_modules/.bin/vite');

function fingerprint() {
  const hash = createHash('sha256');
  for (const source of SOURCES) {
    for (const file of filesBelow(path.join(ROOT, source)))
      hash.update(path.relative(ROOT, file)).update(readFileSync(file));
  }
  return hash.digest('hex');
}

function filesBelow(place) {
  if (statSync(place).isFile()) return [place];
  return readdirSync(place, { withFileTypes: true })
    .filter(({ name }) => !['node_modules', 'dist'].includes(name) && !name.endsWith('.test.ts'))
    .sort((a, b) => (a.name < b.name ? -1 : 1))
    .flatMap((entry) =>
      entry.isDirectory() ? filesBelow(path.join(place, entry.name)) : [path.join(place, entry.name)],
    );
}
