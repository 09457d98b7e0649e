/**
 * npm run audit: asks the registry for known weaknesses of the packages in use and reports those that are high or critical.
 * Ends with 1 when there are some, with 3 when the registry did not answer: not knowing is not the same as being safe.
 */
import { ROOT, runMain, say } from './lib/project.mjs';
import { capture } from './lib/run.mjs';

const SEVERE = new Set(['high', 'critical']);
const UNKNOWN = 3;

await runMain(async () => {
  const { output } = await capture('npm', ['audit', '--json', '--omit=optional'], { cwd: ROOT });
  const report = readReport(output);
  if (!report) {
    say(
      `The registry did not say which packages have known weaknesses, so nothing is known. Its answer:\n${output.trim().slice(0, 600)}`,
    );
    return UNKNOWN;
  }
  const severe = Object.values(report.vulnerabilities).filter(({ severity }) => SEVERE.has(severity));
  for (const { name, severity, range, fixAvailable } of severe) {
    const fix = fixAvailable ? 'a newer one is free of it' : 'no newer one is free of it yet';
    say(`${severity}: ${name} ${range}; ${fix}`);
  }
  const others = Object.keys(report.vulnerabilities).length - severe.length;
  say(`${severe.length} high or critical, ${others} lesser.`);
  return severe.length > 0 ? 1 : 0;
});

/** npm mixes warnings into its output; the report is the object in it. Null when there is none. */
function readReport(output) {
  const start = output.indexOf('{');
  if (start < 0) return null;
  try {
    const parsed = JSON.parse(output.slice(start, output.lastIndexOf('}') + 1));
    return parsed.vulnerabilities ? parsed : null;
  } catch {
    return null;
  }
}
