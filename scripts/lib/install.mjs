/** Installs what is missing: npm packages from the lock file, programs from Debian's packages. */
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { ROOT, Stop, say } from './project.mjs';
import { run } from './run.mjs';

/** Debian's packaging would start a server of its own on the standard port; this project runs a private one. */
const NO_MAIN_CLUSTER = '/etc/postgresql-common/createcluster.d/low-quarry.conf';

/** Installs the npm packages of the lock file unless they are there already. */
export async function ensurePackages() {
  if (Number(process.versions.node.split('.')[0]) < 20)
    throw new Stop(`Node.js 20 or newer is needed; this is ${process.versions.node}.`);
  await install(ROOT);
}

/** Installs the npm packages of a folder with a lock file of its own: what only one script needs, and no test. */
export async function ensurePackagesOf(folder) {
  await ensurePackages();
  await install(path.join(ROOT, folder));
}

async function install(folder) {
  const lock = createHash('sha256')
    .update(readFileSync(path.join(folder, 'package-lock.json')))
    .digest('hex');
  const stamp = path.join(folder, 'node_modules/.low-quarry-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  say('Installing npm packages (once, about a minute) …');
  const code = await run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], { cwd: folder });
  if (code !== 0) throw new Stop('npm ci failed; its message is above.');
  writeFileSync(stamp, lock);
}

/** What Debian offers is asked once for everything that a script installs. */
let offers = null;

/** Installs Debian packages, their names parted by blanks, saying so first; without the right to, prints the command that would do it. */
export async function installDebianPackage(name, what) {
  const command = `apt-get install -y --no-install-recommends ${name}`;
  if (process.getuid?.() !== 0) {
    throw new Stop(
      `${what} is not installed, and installing it needs root. Run this once, then try again:\n\n  sudo ${command}\n`,
    );
  }
  say(`${what} is not installed. Installing Debian's package ${name} …`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const hadConf = existsSync(NO_MAIN_CLUSTER);
  if (name === 'postgresql' && !hadConf) {
    mkdirSync(path.dirname(NO_MAIN_CLUSTER), { recursive: true });
    writeFileSync(NO_MAIN_CLUSTER, 'create_main_cluster = false\n');
  }
  const stdio = ['ignore', 'ignore', 'inherit'];
  try {
    offers ??= run('apt-get', ['update'], { env, stdio });
    await offers;
    const code = await run('apt-get', command.split(' ').slice(1), { env, stdio });
    if (code !== 0) throw new Stop(`Installing ${name} failed; the message of apt-get is above.`);
  } finally {
    if (name === 'postgresql' && !hadConf) rmSync(NO_MAIN_CLUSTER, { force: true });
  }
}

const CHROMIUM = '/usr/bin/chromium-headless-shell';

/** Chromium from Debian's packages, for the browser tests: the one without windows, which draws the same pages in two thirds of the time. */
export async function ensureChromium() {
  if (!existsSync(CHROMIUM)) await installDebianPackage('chromium-headless-shell', 'Chromium');
  return CHROMIUM;
}

/** Programs from Debian's packages that the tests hold against: what is left in photos, what spreadsheets, pages, codes, drawings, solids and calendars are to others. */
const REFEREES = [
  ['/usr/bin/exiftool', 'libimage-exiftool-perl'],
  ['/usr/bin/ssconvert', 'gnumeric'],
  ['/usr/bin/pdftoppm', 'poppler-utils'],
  ['/usr/bin/zbarimg', 'zbar-tools'],
  ['/usr/bin/ngspice', 'ngspice'],
  ['/usr/lib/python3/dist-packages/ezdxf', 'python3-ezdxf'],
  ['/usr/bin/admesh', 'admesh'],
  ['/usr/lib/python3/dist-packages/icalendar', 'python3-icalendar'],
];

export async function ensureReferees() {
  const missing = REFEREES.filter(([program]) => !existsSync(program)).map(([, name]) => name);
  if (missing.length > 0) await installDebianPackage(missing.join(' '), missing.join(' and '));
}
