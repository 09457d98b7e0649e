/**
 * npm run lighthouse: performance and accessibility of Jobs, Fit and Measure in the demo shop, as a browser measures them that knows
 * nothing yet. Its packages have a folder of their own, so that no test waits for them.
 */
import path from 'node:path';
import { withDemoServer } from './lib/demoServer.mjs';
import { ensureChromium, ensurePackagesOf } from './lib/install.mjs';
import { ROOT, runMain, say } from './lib/project.mjs';
import { capture } from './lib/run.mjs';

const FOLDER = 'lighthouse';
/** What must be reached, in points of 100. */
const GOALS = { performance: 95, accessibility: 100 };

await runMain(async () => {
  await ensurePackagesOf(FOLDER);
  const chromium = await ensureChromium();
  return withDemoServer(async (url, [signIn]) => {
    const cookie = await comeIn(url, signIn);
    const { jobs } = await (await fetch(`${url}/api/jobs`, { headers: { Cookie: cookie } })).json();
    const [{ id, openings }] = jobs.filter(({ number }) => number === 1);
    const opening = `/jobs/${id}/openings/${openings[0].id}`;
    const screens = { Jobs: '/', Measure: opening, Fit: `${opening}/fit` };
    let isReached = true;
    for (const [name, page] of Object.entries(screens)) {
      const { code, output } = await capture(process.execPath, [path.join(ROOT, FOLDER, 'measure.mjs'), url + page], {
        env: { ...process.env, CHROME_PATH: chromium, LQ_COOKIE: cookie },
      });
      if (code !== 0) throw new Error(`lighthouse ended with ${code}: ${output.slice(-2000)}`);
      const { performance, parts, accessibility, findings } = JSON.parse(output.trim().split('\n').at(-1));
      say(
        `${name}: performance ${performance} (${parts.join(', ')}), accessibility ${accessibility}${findings.map((each) => `\n  ${each}`).join('')}`,
      );
      if (performance < GOALS.performance || accessibility < GOALS.accessibility) isReached = false;
    }
    return isReached ? 0 : 1;
  });
});

async function comeIn(url, { name, password }) {
  const answer = await fetch(`${url}/api/session`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', Origin: url },
    body: JSON.stringify({ name, password }),
  });
  if (!answer.ok) throw new Error(`signing in was answered with ${answer.status}`);
  return answer.headers
    .getSetCookie()
    .map((each) => each.split(';')[0])
    .join('; ');
}
