import { Fitter } from '../driver/Fitter';
import { expect, test } from '../driver/test';

test.use({ serviceWorkers: 'allow' });

const JOB = 'Corran Tern, HDS 4';
const DOOR = 'Front door, left';
/** More than a browser has connections to a server. */
const TABS = 8;

test('however many tabs are open, each shows its page and hears of changes, over one live connection', {
  tag: '@both',
}, async ({ fitter, browser, context }) => {
  const pages = [fitter.page];
  const lines = new Map<object, number>();
  const watch = (page: (typeof pages)[number]) =>
    page.on('request', (request) => {
      if (request.url().endsWith('/api/events')) lines.set(page, (lines.get(page) ?? 0) + 1);
    });
  watch(fitter.page);
  await fitter.openJobs();
  while (pages.length < TABS) {
    const page = await context.newPage();
    watch(page);
    pages.push(page);
    await page.goto(fitter.address);
    await expect(page.getByRole('link', { name: JOB })).toBeVisible();
  }
  const other = new Fitter(await (await browser.newContext()).newPage(), fitter.address);
  await other.comeIn('Rieke');
  await other.measure(JOB, DOOR);
  await other.type('Depth behind', '57');
  await other.save();
  await other.saved();
  for (const page of pages)
    await expect(page.getByRole('status', { name: 'Changed by others' })).toContainText('Rieke measured');
  expect(lines.size).toBe(1);

  // The tab with the line is closed: another takes it, and everybody hears on.
  const [leader] = lines.keys();
  await (leader as (typeof pages)[number]).close();
  const rest = pages.filter((page) => page !== leader);
  await expect.poll(() => lines.size).toBe(2);
  await other.type('Depth behind', '56');
  await other.save();
  await other.saved();
  await fitter.page.context().pages()[0]?.bringToFront();
  // All at once: it goes by itself, and may be gone from the last when the first was looked at.
  await Promise.all(
    rest.map((page) => expect(page.getByRole('status', { name: 'Changed by others' })).toContainText('Rieke measured')),
  );
  expect(lines.size).toBe(2);
  await other.page.context().close();
});
