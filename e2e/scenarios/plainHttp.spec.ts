/** What a tablet of the bay does over plain http, where a browser has no secure context: all of it is kept. */
import { expect, test } from '../driver/test';

test.use({ person: 'Rieke', allowedErrors: /Failed to load resource|ERR_|net::/ });

const JOB = 'Corran Tern, HDS 4';
const DOOR = 'Front door, left';

test('this page is none', { tag: '@plain' }, async ({ fitter }) => {
  await fitter.openJobs();
  expect(await fitter.page.evaluate(() => window.isSecureContext)).toBe(false);
  await fitter.openPage('/waiting', 'Waiting entries');
  await expect(fitter.page.getByText('This page came over plain http.')).toBeVisible();
});

test('what is measured while the server is away is kept, and in the shop once it is back', { tag: '@plain' }, async ({
  fitter,
  shop,
}) => {
  const { page } = fitter;
  await fitter.measure(JOB, DOOR);
  await fitter.programKept();
  await fitter.type('Depth behind', '58');
  await expect(page.getByText('Kept on this device, not in the shop yet.')).toBeVisible();
  await shop.kill();
  await fitter.save();
  await expect(page.getByText('Not in the shop yet: the server does not answer.')).toBeVisible();
  await page.getByRole('link', { name: /^1 waiting/ }).click();
  await expect(page.getByText('Measurements of Front door, left')).toBeVisible();
  await expect(page.getByText('Not kept on this device')).toHaveCount(0);
  await shop.start();
  await expect(page.getByText('Nothing waits: the shop has everything')).toBeVisible();
  await fitter.measure(JOB, DOOR);
  await expect(fitter.field('Depth behind')).toHaveValue('58');
});

test('a page that is closed with entries waiting sends them when it is opened again', { tag: '@plain' }, async ({
  fitter,
  shop,
  context,
}) => {
  const { page } = fitter;
  await fitter.measure(JOB, DOOR);
  await fitter.programKept();
  await fitter.type('Depth behind', '57');
  await shop.kill();
  await fitter.save();
  await expect(page.getByRole('link', { name: /^1 waiting/ })).toBeVisible();
  await page.close();
  await shop.start();
  const again = await context.newPage();
  await again.goto(fitter.address);
  await expect(again.getByRole('heading', { name: 'Jobs', level: 1 })).toBeVisible();
  await expect(again.getByRole('link', { name: /waiting/ })).toHaveCount(0);
  const depth = await again.evaluate(async () => {
    const { jobs } = await (await fetch('/api/jobs')).json();
    const ids = jobs.flatMap((job: { openings: { id: string }[] }) => job.openings.map(({ id }) => id));
    const openings = await Promise.all(ids.map(async (id: string) => (await fetch(`/api/openings/${id}`)).json()));
    return openings.flatMap(({ record }) => record.dimensions.depthBehind?.readingsMm ?? []);
  });
  expect(depth).toContain(57);
});

test('a car is booked in, once', { tag: '@plain' }, async ({ fitter }) => {
  const { page } = fitter;
  await fitter.comeIn('Okke');
  await fitter.openJobs();
  await page.getByRole('button', { name: 'Book a car in' }).click();
  await fitter.pickOf('Vehicle and trim', 'Corran Tern');
  await page.getByLabel('Whose car').fill('Tin building');
  await page.getByRole('button', { name: /^Book in with/ }).click();
  await expect(page.getByRole('link', { name: 'Order list' })).toBeVisible();
  await fitter.openJobs();
  await expect(page.getByText('Tin building')).toHaveCount(1);
});

test('a device that is full says so at once, in red, hands it out, and what was typed still reaches the shop', {
  tag: '@plain',
}, async ({ fitter }) => {
  const { page } = fitter;
  // As a browser answers when the disk is full: the transaction is undone.
  await page.addInitScript(() => {
    const put = IDBObjectStore.prototype.put;
    IDBObjectStore.prototype.put = function (...args: Parameters<typeof put>) {
      if (!sessionStorage.getItem('full')) return put.apply(this, args);
      this.transaction.abort();
      throw new DOMException('no room', 'QuotaExceededError');
    };
  });
  await fitter.measure(JOB, DOOR);
  await page.evaluate(() => sessionStorage.setItem('full', '1'));
  await fitter.type('Depth behind', '58');
  await expect(page.getByText('Not kept: this device has no room. It is in this page only.')).toBeVisible();
  await expect(
    page.getByRole('alert').getByText('Not kept: this device has no room. In this page only:'),
  ).toBeVisible();
  const downloading = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Download what is not kept' }).click();
  expect((await downloading).suggestedFilename()).toBe('not-kept.json');
  await fitter.save();
  await fitter.saved();
});

test('the worker that ranks cannot be loaded: it is asked for again, and the candidates come', {
  tag: '@plain',
}, async ({ fitter }) => {
  const { page } = fitter;
  let refused = 0;
  await page.route('**/assets/catalogueWorker-*.js', (route) => (refused++ === 0 ? route.abort() : route.continue()));
  await fitter.whatFits(JOB, DOOR);
  await expect(page.getByRole('list', { name: 'Ranked speakers' })).toBeVisible();
  expect(refused).toBeGreaterThan(1);
});
