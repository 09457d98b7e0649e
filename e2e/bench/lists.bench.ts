/**
 * A supplier's list of 20,000 speakers, 40 of them with a slip: how long it takes to be in the library over HTTP, how much memory the server
 * needs, and how long people wait meanwhile; then how long a search takes among what came in.
 */

import type { ListAtWork, ListImported } from '@low-quarry/core/contracts/supplierLists';
import { seededRandom } from '@low-quarry/core/math';
import { ABOVE, dirtyList } from '@low-quarry/core/testing/dirtyList';
import { dirtySpeakers } from '@low-quarry/core/testing/dirtySpeakers';
import { tellFigures } from '../driver/figures';
import { figuresOf, mostMb, timed } from '../driver/measure';
import { expect, test } from '../driver/test';

/** Another number where somebody wants to see how it grows. */
const ROWS = Number(process.env.LQ_ROWS ?? 20_000);
const SLIPS = 40;
const SEARCHES = 200;
const LOOK_MS = 250;

async function untilIn(find: () => Promise<ListAtWork>): Promise<string> {
  for (;;) {
    const { id, answer, work } = await find();
    if (answer) return id;
    if (work?.fault) throw new Error(work.fault);
    await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
  }
}

test('a supplier’s list is in the library, and found', async ({ fitter, shop }) => {
  const { page } = fitter;
  const dirty = dirtySpeakers({ rows: ROWS, slips: SLIPS, seed: 2026 });
  const rows = [...ABOVE, ...dirtyList(dirty, 2027)];
  const text = rows.map((cells) => cells.map((cell) => `"${cell.replace(/"/g, '""')}"`).join(';')).join('\r\n');
  const body = {
    ...{ name: 'large.csv', supplier: 'Hillfoot Stores', columns: null, day: '2026-11-28', withDoubted: true },
    base64: Buffer.from(text).toString('base64'),
  };
  const ask = async (path: string) => (await page.request.get(`${fitter.address}${path}`)).json();

  const waits: number[] = [];
  let isOver = false;
  const others = (async () => {
    while (!isOver) {
      waits.push(await timed(() => ask('/api/jobs')));
      await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
    }
  })();
  const from = performance.now();
  const response = await page.request.post(`${fitter.address}/api/parts/imports/lists/work`, {
    data: body,
    headers: fitter.headers,
    timeout: 60_000,
  });
  expect(response.status()).toBe(200);
  const listId = await untilIn(async () => (await ask('/api/parts/imports/lists/work')).lists[0]);
  const importMs = performance.now() - from;
  const answer: ListImported = await ask(`/api/parts/imports/lists/work/${listId}`);
  expect(answer.newParts).toBeGreaterThan(ROWS - SLIPS);
  isOver = true;
  await others;
  const planted = new Set(dirty.planted.map(({ at }) => ABOVE.length + at + 1));
  const found = answer.findings.filter(({ grade }) => grade !== 'note');
  const named = new Set(found.map(({ line }) => line).filter((line) => planted.has(line)));
  expect(named.size).toBeGreaterThanOrEqual(38);

  const random = seededRandom(5);
  const took: number[] = [];
  for (let at = 0; at < SEARCHES; at++) {
    const row = rows[ABOVE.length + Math.floor(random() * ROWS)] as string[];
    const name = `${row[1]} ${row[2]}`;
    // By number, by name, by parts of a name, and with a letter left out.
    const asked = [row[0], name, name.slice(0, -1), name.replace('i', '')][at % 4] as string;
    took.push(await timed(() => ask(`/api/parts?find=${encodeURIComponent(asked)}`)));
  }
  tellFigures({
    importRowsPerS: Math.round(ROWS / (importMs / 1000)),
    importNamed: `${named.size} of ${planted.size}, ${found.length - named.size} others`,
    importWaitMs: figuresOf(waits),
    importMostMb: mostMb(shop.pid),
    searchP95Ms: figuresOf(took).p95,
  });
});
