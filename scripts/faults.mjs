/** npm run faults: kills server and database while people write, many times, and prints what was tried, lost and doubled. */
import { spawn } from 'node:child_process';
import path from 'node:path';
import { createInterface } from 'node:readline';
import { ensurePackages } from './lib/install.mjs';
import { ROOT, runMain, say } from './lib/project.mjs';

const TIMES = 10;

await runMain(async () => {
  await ensurePackages();
  const child = spawn(process.execPath, [path.join(ROOT, 'scripts/test.mjs'), 'e2e', 'faults'], {
    cwd: ROOT,
    env: { ...process.env, LQ_FAULT_TIMES: process.env.LQ_FAULT_TIMES ?? String(TIMES) },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const figures = [];
  for await (const line of createInterface({ input: child.stdout })) {
    const found = /^FIGURES (.*)$/.exec(line);
    if (found) figures.push(JSON.parse(found[1]));
    else say(line);
  }
  const code = child.exitCode ?? (await new Promise((resolve) => child.once('close', resolve)));
  say('\n| fault | times | writes tried | requests sent | acknowledged | lost | doubled | gaps in the history |');
  say('| --- | --- | --- | --- | --- | --- | --- | --- |');
  for (const { what, faults, tried, sent, acknowledged, lost, doubled, gaps } of figures)
    say(`| ${what} | ${faults} | ${tried} | ${sent} | ${acknowledged} | ${lost} | ${doubled} | ${gaps} |`);
  const sum = (key) => figures.reduce((total, each) => total + each[key], 0);
  say(
    JSON.stringify(
      Object.fromEntries(['faults', 'tried', 'acknowledged', 'lost', 'doubled', 'gaps'].map((key) => [key, sum(key)])),
    ),
  );
  return code;
});
