/** npm run screenshots: takes the pictures of docs/screenshots/ from the demo shop, on a throw-away database. */
import path from 'node:path';
import { withDemoServer } from './lib/demoServer.mjs';
import { ensureChromium } from './lib/install.mjs';
import { ROOT, runMain, say } from './lib/project.mjs';

const OUT = path.join(ROOT, 'docs/screenshots');
const COUNTER = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };
const SHOAL = '?speaker=spk-wrackline-shoal-65&stack=brk-plate-3-166-to-6-5-6-mm';

/** Name, size, job number, opening's position (0 for none), end of the address, what to do before the picture. */
const PICTURES = [
  ['jobs', COUNTER, 0, 0, ''],
  ['job', COUNTER, 3, 0, ''],
  ['book-in', COUNTER, 3, 0, '/book-in'],
  ['baseline', COUNTER, 5, 0, '/baseline'],
  ['vehicle', COUNTER, 0, 0, 'vehicles/veh-tarnhill-packhorse'],
  ['opening', COUNTER, 1, 1, '', (page) => page.getByRole('textbox').nth(2).focus()],
  ['opening-phone', PHONE, 2, 1, '', typedOnPhone],
  ['fit-hits', COUNTER, 1, 1, `/fit${SHOAL}`],
  [
    'fit-bay',
    { width: 800, height: 1280 },
    4,
    5,
    '/fit',
    (page) => page.getByRole('button', { name: /Dark for the bay/ }).click(),
  ],
  ['will-it-fit', COUNTER, 0, 0, 'will-it-fit?vehicle=veh-ostrand-longshore&speaker=spk-wrackline-shoal-65-slim'],
  ['week', COUNTER, 0, 0, 'bay'],
  ['supplier-list', COUNTER, 0, 0, 'supplier-list', pickedList],
  ['waiting-phone', PHONE, 2, 1, '', waitingEntry],
  ['order', COUNTER, 3, 0, '/order'],
  ['wires', COUNTER, 3, 0, '/wires', shownImpedance],
  ['amplifier', COUNTER, 4, 0, '/wires', bypassedAmplifier],
  ['build', COUNTER, 10, 0, '/build'],
  [
    'step-bay',
    { width: 800, height: 1280 },
    10,
    0,
    '/build/steps?at=panel%20doorCard%20frontLeft%20%20on%20clips',
    inTheDark,
  ],
  ['order-sheet', { width: 794, height: 1123 }, 3, 0, '/order', (page) => page.emulateMedia({ media: 'print' })],
];

const SETTLE_MS = 1500;

/** The maker's amplifier, about to be bypassed. */
async function bypassedAmplifier(page) {
  await page.getByLabel('What becomes of it').selectOption('Bypassed: its channels are fed anew');
  await page.getByLabel('Fed instead by').selectOption('A new radio');
  await page.getByLabel('New leads go').selectOption('To its plug, then the car’s own wire');
  for (const [label, text] of [
    ['Stands, Ω', '4'],
    ['Gives, W', '22'],
    ['Into, Ω', '4'],
  ])
    await page.getByLabel(label).fill(text);
}

/** As the bay's light has it. */
function inTheDark(page) {
  return page.evaluate(() => {
    document.documentElement.dataset.light = 'bay';
  });
}

/** The first channel with what its source sees of it. */
async function shownImpedance(page) {
  await page.getByRole('button', { name: 'Show the impedance' }).first().click();
  await page.getByRole('img', { name: /^Impedance of channel/ }).waitFor();
}

/** A reading in inches, with the field clear of the bar below it. */
async function typedOnPhone(page) {
  const field = page.getByRole('textbox').nth(2);
  await field.fill('2 9/32"');
  await field.evaluate((input) => input.scrollIntoView({ block: 'center' }));
}

/** One of the lists that the demo ships, with what is doubted in it. */
async function pickedList(page) {
  await page.getByLabel('Supplier', { exact: true }).fill('Hillfoot Stores');
  await page.getByLabel('List: XLSX, ODS or CSV').setInputFiles(path.join(ROOT, 'demo/lists/hillfoot-march.csv'));
  await page.getByRole('region', { name: 'What it changes' }).waitFor();
  await page.getByRole('region', { name: 'What it changes' }).evaluate((it) => it.scrollIntoView({ block: 'start' }));
}

/** Two entries that wait for a server that does not answer, and the list of them. */
async function waitingEntry(page) {
  await page.route('**/api/**', (route) => route.abort());
  await page.getByRole('textbox').nth(2).fill('58');
  await page.getByRole('button', { name: 'Save measurements' }).click();
  await page.getByRole('link', { name: /waiting/ }).click();
}

/** Something to read in the history. */
async function work(context, url, personId) {
  const headers = { Origin: url, 'LQ-Person': personId };
  await context.request.put(`${url}/api/device`, { data: { name: 'Bay 1' }, headers });
  const { jobs } = await (await context.request.get(`${url}/api/jobs`)).json();
  const [{ id }] = jobs.find(({ number }) => number === 5).openings;
  const { version, record } = await (await context.request.get(`${url}/api/openings/${id}`)).json();
  const frontGap = {
    readingsMm: [21.5],
    source: 'depthStick',
    entered: '21.5',
    takenBy: 'Okke',
    takenAt: new Date().toISOString(),
  };
  const changed = { ...record, dimensions: { ...record.dimensions, frontGap }, note: 'Glass sticks half-way down' };
  await context.request.put(`${url}/api/openings/${id}`, { data: { version, record: changed }, headers });
}

await runMain(() =>
  withDemoServer(async (url, [{ name, password }]) => {
    const { chromium } = await import('@playwright/test');
    const browser = await chromium.launch({
      executablePath: await ensureChromium(),
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--font-render-hinting=none',
        '--disable-quic',
        '--disable-background-networking',
      ],
    });
    const context = await browser.newContext();
    const signedIn = await context.request.post(`${url}/api/session`, {
      data: { name, password },
      headers: { Origin: url },
    });
    await work(context, url, (await signedIn.json()).me.id);
    // A context for each: what is set at one device, such as the dark light, is not set at the next.
    const storageState = await context.storageState();
    for (const picture of PICTURES) await take(await browser.newContext({ storageState }), url, picture);
    await browser.close();
  }),
);

async function take(context, url, [name, viewport, jobNumber, position, rest, act]) {
  const page = await context.newPage();
  await page.setViewportSize(viewport);
  const { jobs = [] } = await (await context.request.get(`${url}/api/jobs`)).json();
  const job = jobs.find(({ number }) => number === jobNumber);
  const opening = job?.openings[position - 1];
  await page.goto(`${url}${job ? `/jobs/${job.id}` : '/'}${opening ? `/openings/${opening.id}` : ''}${rest}`);
  await page.waitForLoadState('networkidle');
  await page.locator('main h1').waitFor({ state: 'attached' });
  await act?.(page);
  // Nothing begins in the first moment of a page that has only just come.
  await page.waitForTimeout(SETTLE_MS);
  await page.waitForFunction(() =>
    Array.from(document.querySelectorAll('p')).every(
      ({ textContent }) => !/^(Loading|Working out) .*…$/.test(textContent),
    ),
  );
  await page.screenshot({ path: path.join(OUT, `${name}.png`) });
  await context.close();
  say(name);
}
