/**
 * npm run fuzz: every test with random cases, fifty times as many as in `npm test`, from a seed that is printed. `-- 500` takes another factor,
 * `-- 50 1234` begins at that seed again, and further words pick files.
 */
import { randomInt } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { ensurePackages } from './lib/install.mjs';
import { ROOT, runMain, say } from './lib/project.mjs';
import { run } from './lib/run.mjs';

const [factor = '50', seed = String(randomInt(2 ** 31)), ...words] = process.argv.slice(2);

await runMain(async () => {
  await ensurePackages();
  const files = readdirSync(path.join(ROOT, 'packages'), { recursive: true })
    .filter((name) => /^[^/]+\/src\/.*\.test\.tsx?$/.test(name))
    .filter((name) => readFileSync(path.join(ROOT, 'packages', name), 'utf8').match(/fc\.assert|fuzzed\(/))
    .filter((name) => words.length === 0 || words.some((word) => name.includes(word)));
  say(
    `${files.length} files with ${factor} times the cases, from seed ${seed}. Again: npm run fuzz -- ${factor} ${seed}`,
  );
  return run(process.execPath, [path.join(ROOT, 'scripts/test.mjs'), 'unit', ...files], {
    env: { ...process.env, LQ_FUZZ_FACTOR: factor, LQ_FUZZ_SEED: seed },
  });
});
