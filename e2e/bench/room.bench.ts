/**
 * A shop with 20,000 speakers, 2,000 brackets, 5,000 variants, 2,000 jobs and 300,000 lines of history: how long the server takes, how much memory
 * it needs, and how long a device takes that knows the catalogue and one that does not.
 */
import { execFileSync } from 'node:child_process';
import type { JobInList } from '@low-quarry/core/contracts/jobs';
import { manyVehicles, typedSearches } from '@low-quarry/core/testing/manyVehicles';
import type { Page } from '@playwright/test';
import { Fitter } from '../driver/Fitter';
import { tellFigures } from '../driver/figures';
import { figuresOf, mostMb, timed } from '../driver/measure';
import { expect, test } from '../driver/test';
import { Writers } from '../driver/Writers';

const TIMES = 100;
/** As many as the large shop is given. */
const VARIANTS = 5000;
/** The first of them still compiles what the browser keeps compiled for the others. */
const RELOADS = 9;

async function times(work: (at: number) => Promise<unknown>, count = TIMES) {
  const took: number[] = [];
  for (let at = 0; at < count; at++) took.push(await timed(() => work(at)));
  return figuresOf(took);
}

/** In the page, from the press on its address until both are there. */
async function show(page: Page, go: () => Promise<unknown>) {
  await go();
  await page.waitForFunction(() => window.shownMs?.list);
  return page.evaluate(() => {
    const { candidate = -1, firstOfList = -1, list = -1 } = window.shownMs ?? {};
    return { candidateMs: candidate, firstOfListMs: firstOfList, listMs: list };
  });
}

/** Notes when a screen's parts are there for the first time, ms after the page was asked for. */
function noteWhenShown() {
  const noted: Record<string, number> = {};
  window.shownMs = noted;
  const has = (selector: string) => document.querySelector(selector) !== null;
  const isListed = () => has('ul[aria-label="Ranked speakers"] li');
  const isBegun = () =>
    document.querySelector('section[aria-label="Candidates"]')?.textContent?.includes('being put in order');
  const parts = {
    candidate: () => has('section[aria-label="The candidate"] svg'),
    firstOfList: isListed,
    list: () => isListed() && !isBegun(),
  };
  const look = () => {
    for (const [name, isShown] of Object.entries(parts))
      if (!(name in noted) && isShown()) noted[name] = Math.round(performance.now());
    requestAnimationFrame(look);
  };
  look();
}

/** Whether catalogue and ranking lie on the device. */
async function keptOnDevice() {
  const hasKey = async (database: string, key: string) => {
    const known = await indexedDB.databases();
    if (!known.some(({ name }) => name === database)) return false;
    const db = await new Promise<IDBDatabase>((resolve, reject) => {
      const request = indexedDB.open(database);
      request.onsuccess = () => resolve(request.result);
      request.onerror = () => reject(request.error);
    });
    const count = await new Promise<number>((resolve, reject) => {
      const request = db.transaction('kept').objectStore('kept').count(key);
      request.onsuccess = () => resolve(request.result);
      request.onerror = () => reject(request.error);
    });
    db.close();
    return count > 0;
  };
  return (await hasKey('low-quarry-catalogue', 'head')) && (await hasKey('low-quarry-rankings', 'list'));
}

declare global {
  interface Window {
    shownMs?: Record<string, number>;
  }
}

test('a large shop', async ({ shop, browser }) => {
  await shop.kill();
  execFileSync(process.execPath, [process.env.LQ_SEED as string, shop.adminAddress], { stdio: 'inherit' });
  await shop.start();
  const writers = await Writers.comeIn(shop);
  const list = (page: number, find = '') => writers.get<{ jobs: JobInList[] }>(`/api/jobs?page=${page}&find=${find}`);
  const firstListMs = Math.round(await timed(() => list(1)));
  const jobsList = await times(() => list(1));
  const jobsPages = await times((at) => list(at + 2), 60);
  const jobsFound = await times((at) => list(1, `large ${at * 13}`));
  const typed = typedSearches(manyVehicles(VARIANTS), TIMES, 2);
  const vehiclesFound = await times((at) =>
    writers.get(`/api/vehicles?find=${encodeURIComponent(typed[at]?.find ?? '')}`),
  );
  const { jobs } = await list(3);
  const openings = jobs.flatMap(({ openings }) => openings);
  const opening = await times((at) => writers.get(`/api/openings/${openings[at % openings.length]?.id}`));
  const job = await times((at) => writers.get(`/api/jobs/${jobs[at % jobs.length]?.id}`));
  const order = await times((at) => writers.get(`/api/jobs/${jobs[at % jobs.length]?.id}/order`));
  const chosen = jobs.flatMap((each) =>
    each.openings.flatMap(({ id, state }) => (state.kind === 'chosen' ? [{ jobId: each.id, openingId: id }] : [])),
  );
  const choice = await times(async (at) => {
    const { jobId, openingId } = chosen[at % chosen.length] as (typeof chosen)[number];
    const { choice: known } = await writers.get<{ choice: { speakerId: string; layerIds: string[] } }>(
      `/api/openings/${openingId}`,
    );
    const { speakerId, layerIds } = known;
    await writers.asOwner('PUT', `/api/jobs/${jobId}/choices`, { choices: [{ openingId, speakerId, layerIds }] });
  });
  const words = [
    'ptarmigan',
    'torn',
    'counter',
    'bay',
    'reading 299000',
    '77.7',
    'reading',
    'okke rear 62.4',
    'nowhere',
    '12',
  ];
  const searches = [];
  for (const word of words) {
    const { median, p99 } = await times(() => writers.get(`/api/history?find=${encodeURIComponent(word)}`), 10);
    searches.push({ word, median, p99 });
  }
  const atOnce = await timed(() => Promise.all(Array.from({ length: 50 }, (_, at) => list((at % 60) + 1))));

  const device = await browser.newContext();
  const page = await device.newPage();
  await page.addInitScript(noteWhenShown);
  const [first] = jobs.filter((each) => each.openings.some(({ state }) => state.kind === 'chosen'));
  const shown = first?.openings.find(({ state }) => state.kind === 'chosen');
  const address = `${shop.url}/jobs/${first?.id}/openings/${shown?.id}/fit`;
  await new Fitter(page, shop.url).comeIn('Okke');
  const fresh = await show(page, () => page.goto(address, { waitUntil: 'commit' }));
  // What was worked out is kept behind the screen.
  await expect.poll(() => page.evaluate(keptOnDevice), { timeout: 60_000 }).toBe(true);
  const known: Awaited<ReturnType<typeof show>>[] = [];
  for (let at = 0; at < RELOADS; at++) known.push(await show(page, () => page.reload({ waitUntil: 'commit' })));
  const next = first?.openings.find(({ id }) => id !== shown?.id);
  const another = await show(page, () =>
    page.goto(`${shop.url}/jobs/${first?.id}/openings/${next?.id}/fit`, { waitUntil: 'commit' }),
  );
  const serverMb = mostMb(shop.pid);
  tellFigures({
    firstListMs,
    jobsListMs: jobsList,
    jobsPagesMs: jobsPages,
    jobsFoundMs: jobsFound,
    vehiclesFoundMs: vehiclesFound,
    jobMs: job,
    openingMs: opening,
    choiceMs: choice,
    orderMs: order,
    fiftyListsMs: Math.round(atOnce),
    historySearchMs: Math.max(...searches.map(({ p99 }) => p99)),
    historySearches: searches,
    fitScreenFreshMs: fresh.candidateMs,
    fitListBegunFreshMs: fresh.firstOfListMs,
    fitListFreshMs: fresh.listMs,
    fitScreenKnownMs: figuresOf(known.map(({ candidateMs }) => candidateMs)).median,
    fitScreenReloadsMs: known.map(({ candidateMs }) => candidateMs),
    fitListKnownMs: figuresOf(known.map(({ listMs }) => listMs)).median,
    fitListReloadsMs: known.map(({ listMs }) => listMs),
    fitListBegunAnotherMs: another.firstOfListMs,
    fitListAnotherMs: another.listMs,
    serverHeapMb: serverMb,
  });
  expect(fresh.listMs).toBeGreaterThan(0);
});
