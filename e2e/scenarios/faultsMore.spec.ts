/**
 * Further faults, tried for real: a shop that is restored while people write, a disk that is full, clients that never read, and the
 * script that starts everything, whose server and database are killed. `npm run faults` prints their figures.
 */
import { type ChildProcess, execFileSync, spawn } from 'node:child_process';
import { chmodSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import type { IncomingHttpHeaders } from 'node:http';
import https from 'node:https';
import net from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { gunzipSync } from 'node:zlib';
import { tellFigures } from '../driver/figures';
import type { Shop } from '../driver/Shop';
import { signInOf } from '../driver/signIns';
import { expect, test } from '../driver/test';
import { Writers } from '../driver/Writers';

const TIMES = Number(process.env.LQ_FAULT_TIMES ?? 1);

test.describe.configure(TIMES > 1 ? { timeout: 30 * 60_000 } : {});

test('the shop is restored again and again while people write: what was acknowledged is in the shop or in what was kept before', async ({
  shop,
}) => {
  const writers = await Writers.comeIn(shop);
  const name = await writers.backUp();
  let isOver = false;
  const writing = writers.bookInUntil(() => isOver, 'under load');
  writing.catch(() => {});
  const kept: string[] = [];
  try {
    for (let time = 0; time < 1 + 2 * TIMES; time++) {
      await sleep(200 + Math.random() * 400);
      const answer = await writers.asOwner<{ keptAs: string }>('POST', `/api/backups/${name}/restore`, {
        shopName: 'Slipway Nine',
      });
      kept.push(answer.keptAs);
    }
    await sleep(300);
  } finally {
    isOver = true;
  }
  const acknowledged = await writing;
  const { jobs } = await writers.listJobs();
  const found = new Set(jobs.map(({ customer }) => customer));
  for (const each of kept) for (const customer of customersIn(path.join(shop.backupDir, each))) found.add(customer);
  const lost = acknowledged.filter((customer) => !found.has(customer));
  tellFigures({
    what: 'restored under load',
    restoresUnderLoad: kept.length,
    restoreLost: lost.length,
    restoreAcknowledged: acknowledged.length,
  });
  expect(acknowledged.length).toBeGreaterThan(10);
  expect(lost).toEqual([]);
});

/** Whose cars are in a backup, read with other programs than the one that made it. */
function customersIn(backup: string): readonly string[] {
  const pressed = execFileSync('tar', ['-xOf', backup, 'job.copy.gz'], { maxBuffer: 1e9 });
  const manifest = JSON.parse(execFileSync('tar', ['-xOf', backup, 'manifest.json']).toString());
  const { columns } = manifest.parts.find(({ table }: { table: string }) => table === 'job');
  const at = columns.indexOf('customer');
  return gunzipSync(pressed)
    .toString()
    .split('\n')
    .filter(Boolean)
    .map((line) => line.split('\t')[at] as string);
}

test('the server’s disk is full: it is told as what it is, nothing is acknowledged, and with room everything goes on', async ({
  shop,
}) => {
  const disk = mkdtempSync(path.join(os.tmpdir(), 'low-quarry-disk-'));
  test.skip(!mount(disk), 'a small disk can be made by root only');
  try {
    await shop.moveTo(disk);
    await shop.start();
    const writers = await Writers.comeIn(shop);
    writeFileSync(path.join(disk, 'filler'), '');
    fill(path.join(disk, 'filler'));
    const long = 'x'.repeat(900);
    let told: { status: number; type: string } | null = null;
    let acknowledged = 0;
    for (let time = 0; time < 400 && told === null; time++) {
      const answer = await writers.tryOnce('POST', '/api/jobs', {
        vehicleId: 'veh-ostrand-longshore',
        customer: `full ${time}`,
        registration: '',
        wants: long,
        dueOn: null,
      });
      if (answer.status === 200) acknowledged++;
      else told = { status: answer.status, type: answer.body.type };
    }
    expect(told).toEqual({ status: 503, type: '/problems/disk-full' });
    const full = (await writers.listJobs()).jobs.filter(({ customer }) => customer.startsWith('full'));
    expect(full).toHaveLength(acknowledged);
    rmSync(path.join(disk, 'filler'));
    await writers.write(4, 3);
    const figures = await writers.count();
    tellFigures({ what: 'disk full', faults: 1, ...figures });
    expect(figures).toMatchObject({ lost: 0, doubled: 0, misattributed: 0, gaps: 0 });
  } finally {
    await shop.moveTo(null);
    execFileSync('umount', [disk]);
    rmSync(disk, { recursive: true });
  }
});

function mount(dir: string): boolean {
  try {
    execFileSync('mount', ['-t', 'tmpfs', '-o', 'size=60m', 'tmpfs', dir], { stdio: 'ignore' });
    // Only a folder of its own user does PostgreSQL take.
    execFileSync('chown', ['postgres', dir]);
    return true;
  } catch {
    return false;
  }
}

function fill(file: string): void {
  for (const size of [1 << 20, 1 << 16, 1 << 12]) {
    try {
      for (;;) writeFileSync(file, Buffer.alloc(size), { flag: 'a' });
    } catch {
      // Full to within this size.
    }
  }
}

test('beside another program that works PostgreSQL hard (pgbench), nothing is lost and everybody is answered', async ({
  shop,
}) => {
  const writers = await Writers.comeIn(shop);
  const bench = (...args: string[]) => [...args, '-h', url.hostname, '-p', url.port, '-U', url.username, 'postgres'];
  const url = new URL(process.env.LQ_TEST_DATABASE_URL ?? '');
  const env = { ...process.env, PGPASSWORD: decodeURIComponent(url.password) };
  const pgbench = path.join(process.env.LQ_PG_BIN ?? '', 'pgbench');
  execFileSync(pgbench, bench('-i', '-q', '-s', '1'), { env, stdio: 'ignore' });
  const load = spawn(pgbench, bench('-c', '8', '-T', TIMES === 1 ? '4' : '30'), { env });
  let report = '';
  load.stdout.on('data', (chunk) => {
    report += chunk;
  });
  const over = new Promise((resolve) => load.once('close', resolve));
  await writers.write(8, TIMES === 1 ? 4 : 60);
  await over;
  execFileSync(pgbench, bench('-i', '-I', 'd', '-q'), { env, stdio: 'ignore' });
  const figures = await writers.count();
  const transactions = Number(/actually processed: (\d+)/.exec(report)?.[1]);
  tellFigures({ what: 'beside pgbench', faults: 1, transactions, ...figures });
  expect(transactions).toBeGreaterThan(0);
  expect(figures).toMatchObject({ lost: 0, doubled: 0, misattributed: 0, gaps: 0 });
});

test('a thousand clients that ask and never read, and streams that nobody reads: the others are answered', async ({
  shop,
}) => {
  const writers = await Writers.comeIn(shop);
  const times = async () => {
    const took: number[] = [];
    for (let time = 0; time < 40; time++) {
      const from = performance.now();
      await writers.listJobs();
      took.push(performance.now() - from);
    }
    return took.sort((a, b) => a - b)[took.length >> 1] as number;
  };
  const alone = await times();
  const sockets = await stall(shop, writers.cookie, TIMES === 1 ? 200 : 1000);
  const beside = await times();
  const { jobs } = await writers.listJobs();
  expect(jobs.length).toBeGreaterThan(3);
  await writers.write(8, 3);
  for (const socket of sockets) socket.destroy();
  const figures = await writers.count();
  tellFigures({
    what: 'stalled clients',
    stalled: sockets.length,
    medianAloneMs: Math.round(alone * 10) / 10,
    medianBesideMs: Math.round(beside * 10) / 10,
    ...figures,
  });
  expect(figures).toMatchObject({ lost: 0, doubled: 0, misattributed: 0, gaps: 0 });
});

/** Half of them streams, a quarter large answers that are not read, a quarter requests that never end. */
async function stall(shop: Shop, cookie: string, count: number): Promise<net.Socket[]> {
  const { hostname, port, host } = new URL(shop.url);
  const sockets: net.Socket[] = [];
  for (let at = 0; at < count; at++) {
    const socket = net.connect(Number(port), hostname);
    socket.on('error', () => {});
    socket.pause();
    const get = (where: string) => `GET ${where} HTTP/1.1\r\nHost: ${host}\r\nCookie: ${cookie}\r\n\r\n`;
    if (at % 2 === 0) socket.write(get('/api/events'));
    else if (at % 4 === 1) socket.write(get('/api/catalogue/changes') + get('/api/catalogue/changes'));
    else
      socket.write(
        `POST /api/jobs HTTP/1.1\r\nHost: ${host}\r\nContent-Length: 900\r\nContent-Type: application/json\r\n`,
      );
    sockets.push(socket);
    if (at % 50 === 49) await sleep(100);
  }
  await sleep(1000);
  return sockets;
}

test('the script that starts the shop starts server and database again when they are killed, and ends them when it is asked', async () => {
  const dir = mkdtempSync(path.join(os.tmpdir(), 'low-quarry-start-'));
  chmodSync(dir, 0o755);
  const started = await startScript(dir);
  try {
    const backWithinS: number[] = [];
    for (let time = 0; time < (TIMES === 1 ? 1 : 5); time++) {
      for (const what of ['server', 'database'] as const) {
        process.kill(pidOf(what, dir, started.script), 'SIGKILL');
        const from = performance.now();
        await until(async () => !(await answers(started.url)), 5000);
        await until(() => answers(started.url), 60_000);
        backWithinS.push((performance.now() - from) / 1000);
        await sleep(500);
      }
    }
    const slowest = Math.round(Math.max(...backWithinS) * 100) / 100;
    tellFigures({ what: 'killed under npm start', faults: backWithinS.length, backWithinS: slowest });
    const server = pidOf('server', dir, started.script);
    // A stream that somebody has open, and one that nobody reads, hold nothing up.
    const { hostname, port, host } = new URL(started.url);
    const cookie = await cookieOf(started.url);
    for (const reads of [true, false]) {
      const socket = net.connect(Number(port), hostname);
      socket.on('error', () => {});
      if (reads) socket.resume();
      else socket.pause();
      socket.write(`GET /api/events HTTP/1.1\r\nHost: ${host}\r\nCookie: ${cookie}\r\n\r\n`);
    }
    await sleep(300);
    const ended = new Promise((resolve) => started.script.once('close', resolve));
    started.script.kill('SIGINT');
    expect(await ended).toBe(0);
    expect(isAlive(server)).toBe(false);
  } finally {
    started.script.kill('SIGKILL');
    rmSync(dir, { recursive: true, force: true });
  }
});

async function cookieOf(url: string): Promise<string> {
  const { name, password } = signInOf('Okke');
  const answer = await fetch(`${url}/api/session`, {
    method: 'POST',
    headers: { Origin: url, 'Content-Type': 'application/json' },
    body: JSON.stringify({ name, password }),
  });
  return answer.headers
    .getSetCookie()
    .map((each) => each.split(';')[0])
    .join('; ');
}

async function startScript(dir: string): Promise<{ readonly script: ChildProcess; readonly url: string }> {
  const script = spawn(process.execPath, ['scripts/start.mjs', '--demo'], {
    env: { ...process.env, LQ_DATA_DIR: dir, PORT: '0', DATABASE_URL: '' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  let text = '';
  const url = await new Promise<string>((resolve, reject) => {
    script.stdout?.on('data', (chunk) => {
      text += chunk;
      const found = /Low Quarry: (http:\/\/\S+)/.exec(text)?.[1];
      if (found) resolve(found);
    });
    script.once('close', () => reject(new Error(`the script ended: ${text}`)));
  });
  return { script, url };
}

/** Never 0: that would be everybody. */
function pidOf(what: 'server' | 'database', dir: string, script: ChildProcess): number {
  const children = readFileSync(`/proc/${script.pid}/task/${script.pid}/children`, 'utf8').trim().split(' ');
  const command = what === 'server' ? 'server/dist/main.js' : path.join(dir, 'postgres');
  const found = children.find((pid) => readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(command));
  if (!found) throw new Error(`the ${what} is not there`);
  return Number(found);
}

function isAlive(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
}

async function answers(url: string): Promise<boolean> {
  return fetch(`${url}/api/health`, { signal: AbortSignal.timeout(2000) }).then(
    ({ ok }) => ok,
    () => false,
  );
}

async function until(what: () => Promise<boolean>, mostMs: number): Promise<void> {
  for (const from = performance.now(); performance.now() - from < mostMs; ) {
    if (await what()) return;
    await sleep(20);
  }
}

test('with a certificate of the shop’s own the server speaks https itself', async ({ shop }) => {
  const dir = mkdtempSync(path.join(os.tmpdir(), 'low-quarry-tls-'));
  mkdirSync(path.join(dir, 'data'));
  try {
    const made = execFileSync(process.execPath, ['scripts/certificate.mjs', 'shop.test'], {
      env: { ...process.env, LQ_DATA_DIR: path.join(dir, 'data') },
    }).toString();
    expect(made).toContain('LQ_TLS_CERT=');
    const tls = (name: string) => path.join(dir, 'data/tls', name);
    await shop.kill();
    await shop.start({ tls: { cert: tls('shop.pem'), key: tls('shop-key.pem') } });
    expect(shop.url).toMatch(/^https:/);
    const { port } = new URL(shop.url);
    const ca = readFileSync(tls('authority.pem'));
    const health = await askTls({ port, path: '/api/health', ca });
    expect(health).toMatchObject({ status: 200, body: '{"ok":true}' });
    expect(health.headers['strict-transport-security']).toContain('max-age=');
    await expect(askTls({ port, path: '/api/health', ca: [] })).rejects.toThrow(/self-signed|unable to/);
    const signIn = await askTls({
      port,
      path: '/api/session',
      ca,
      body: { name: 'Okke', password: signInOf('Okke').password },
    });
    expect(signIn.status).toBe(200);
    for (const cookie of signIn.headers['set-cookie'] ?? []) expect(cookie).toContain('; Secure');
  } finally {
    rmSync(dir, { recursive: true });
  }
});

type Asked = { readonly port: string; readonly path: string; readonly ca: Buffer | string[]; readonly body?: object };

/** Under the name of the certificate, which only this machine knows. */
function askTls({ port, path: where, ca, body }: Asked) {
  const origin = `https://shop.test:${port}`;
  return new Promise<{ status: number; headers: IncomingHttpHeaders; body: string }>((resolve, reject) => {
    const request = https.request({
      host: '127.0.0.1',
      servername: 'shop.test',
      port,
      path: where,
      ca,
      agent: false,
      method: body ? 'POST' : 'GET',
      headers: { Host: `shop.test:${port}`, Origin: origin, 'Content-Type': 'application/json' },
    });
    request.once('error', reject);
    request.once('response', (response) => {
      let text = '';
      response.on('data', (chunk) => {
        text += chunk;
      });
      response.once('end', () => resolve({ status: response.statusCode ?? 0, headers: response.headers, body: text }));
    });
    request.end(body && JSON.stringify(body));
  });
}
