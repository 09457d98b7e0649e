/**
 * npm run faults: kills server and database while people write, restores under load, fills the disk, stalls clients, changes archives
 * and shop files at random, and prints what was tried, lost, doubled, done in another's name. Its last line is JSON.
 */
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { ensurePackages } from './lib/install.mjs';
import { ROOT, runMain, say } from './lib/project.mjs';
import { run } from './lib/run.mjs';

const TIMES = '10';
const MUTATIONS = '100000';

await runMain(async () => {
  await ensurePackages();
  const dir = mkdtempSync(path.join(os.tmpdir(), 'low-quarry-figures-'));
  const file = path.join(dir, 'figures');
  writeFileSync(file, '');
  const env = { LQ_FAULT_TIMES: TIMES, LQ_MUTATIONS: MUTATIONS, ...process.env, LQ_FIGURES: file };
  const tests = (...args) => run(process.execPath, [path.join(ROOT, 'scripts/test.mjs'), ...args], { cwd: ROOT, env });
  try {
    const failed = (await tests('e2e', 'faults')) + (await tests('unit', 'mutations'));
    const figures = readFileSync(file, 'utf8')
      .split('\n')
      .filter(Boolean)
      .map((line) => JSON.parse(line));
    tell(figures);
    return failed === 0 ? 0 : 1;
  } finally {
    rmSync(dir, { recursive: true });
  }
});

function tell(figures) {
  const columns = ['faults', 'tried', 'sent', 'acknowledged', 'lost', 'doubled', 'misattributed', 'gaps'];
  say(`\n| fault | times | ${columns.slice(1).join(' | ')} |`);
  say(`|${' --- |'.repeat(columns.length + 1)}`);
  for (const each of figures.filter(({ tried }) => tried !== undefined))
    say(`| ${each.what} | ${columns.map((column) => each[column] ?? '').join(' | ')} |`);
  for (const each of figures.filter(({ tried }) => tried === undefined)) say(JSON.stringify(each));
  const sum = (key) => figures.reduce((total, each) => total + (each[key] ?? 0), 0);
  say(
    JSON.stringify({
      writes: sum('acknowledged') + sum('restoreAcknowledged'),
      lost: sum('lost') + sum('restoreLost'),
      doubled: sum('doubled'),
      misattributed: sum('misattributed'),
      gaps: sum('gaps'),
      restoresUnderLoad: sum('restoresUnderLoad'),
      restoreLost: sum('restoreLost'),
      archivesMutated: sum('archivesMutated'),
      archiveHangs: sum('archiveHangs'),
      commandsRun: sum('commandsRun'),
      backWithinS: Math.max(...figures.map(({ backWithinS = 0 }) => backWithinS)),
    }),
  );
}
