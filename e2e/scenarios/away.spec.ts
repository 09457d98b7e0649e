import { Fitter } from '../driver/Fitter';
import { expect, test } from '../driver/test';

const JOB = 'Corran Tern, HDS 4';
const DOOR = 'Front door, left';

test.use({
  serviceWorkers: 'allow',
  allowedErrors: /net::ERR_|status of 503/,
});

test('the server dies while a measurement is typed: it says so, keeps it, and saves by itself when it is back', async ({
  fitter,
  shop,
}) => {
  const { page } = fitter;
  await fitter.measure(JOB, DOOR);
  await fitter.type('Depth behind', '58');
  await shop.kill();
  await fitter.type('Front gap', '24');
  await fitter.save();
  await expect(page.getByText('The shop’s server does not answer. Trying again')).toBeVisible();
  await expect(page.getByText('Not in the shop yet')).toBeVisible();
  await expect(fitter.field('Front gap')).toHaveValue('24');
  await shop.start();
  await fitter.saved();
  await expect(page.getByText('The shop’s server does not answer.')).toBeHidden();
  await page.reload();
  await expect(fitter.field('Depth behind')).toHaveValue('58');
  await expect(page.getByText('is back')).toBeHidden();
});

test('the database stops: the page says so and recovers by itself', async ({ fitter, shop }) => {
  const { page } = fitter;
  await fitter.measure(JOB, DOOR);
  await shop.stopDatabase();
  await fitter.type('Depth behind', '58');
  await fitter.save();
  await expect(page.getByText('Not in the shop yet')).toBeVisible();
  await shop.startDatabase();
  await fitter.saved();
});

test('a screen that is opened while the database is away waits for it', async ({ fitter, shop }) => {
  const { page } = fitter;
  await fitter.openJob(JOB);
  await shop.stopDatabase();
  await page.getByRole('link', { name: 'Order list' }).click();
  await expect(page.getByText('Waiting for the server, to load the order list.')).toBeVisible();
  await shop.startDatabase();
  await expect(page.getByText('Nothing is on the list yet.')).toBeVisible();
});

test('a choice made while the server is away is made once it is back', async ({ fitter, shop }) => {
  const { page } = fitter;
  await fitter.whatFits('Corran Tern, HDS 3', DOOR);
  await fitter.pick('Wrackline Shoal 65 Slim');
  await shop.kill();
  await fitter.choose();
  await expect(page.getByText('It is chosen as soon as it is back.')).toBeVisible();
  await shop.start();
  await expect(page.getByText('Wrackline Shoal 65 Slim is chosen here.')).toBeVisible();
});

test('after the database was away an open screen hears again of what others change', async ({
  fitter,
  shop,
  browser,
}) => {
  const { page } = fitter;
  await fitter.measure(JOB, DOOR);
  await shop.stopDatabase();
  // The stream is cut, and asking for it again is answered 503.
  await page.waitForResponse((response) => response.url().endsWith('/api/events') && response.status() === 503);
  await shop.startDatabase();
  await expect(page.getByText('The shop’s server does not answer.')).toBeHidden();
  await page.waitForResponse((response) => response.url().endsWith('/api/events') && response.status() === 200);
  const context = await browser.newContext();
  const other = new Fitter(await context.newPage(), shop.url);
  await other.comeIn('Rieke');
  await other.measure(JOB, DOOR);
  await other.type('Depth behind', '57');
  await other.save();
  await other.saved();
  await expect(page.getByRole('status', { name: 'Changed by others' })).toContainText('Rieke measured');
  await expect(fitter.field('Depth behind')).toHaveValue('57');
  await context.close();
});

test('a newer program while a page is open: it says so, takes it at the next step, and what is typed stays', async ({
  fitter,
}) => {
  const { page } = fitter;
  await fitter.measure(JOB, DOOR);
  await fitter.type('Depth behind', '58');
  await page.evaluate(() => Object.assign(window, { isOld: true }));
  // Asked in the middle of a reload, the page that answers is still to come.
  const isOld = () => page.evaluate(() => 'isOld' in window).catch(() => true);
  await page.route('**/api/jobs**', async (route) => {
    const response = await route.fetch();
    await route.fulfill({ response, headers: { ...response.headers(), 'lq-program': 'another' } });
  });
  await page.getByRole('link', { name: 'Jobs', exact: true }).click();
  await page.getByLabel('Find a car').fill('hds');
  await expect(page.getByText('The shop has a newer program.')).toBeVisible();
  expect(await isOld()).toBe(true);
  // An answer that is still on its way comes as the other ones did.
  await page.unrouteAll({ behavior: 'wait' });
  await page.getByRole('link', { name: JOB }).click();
  await expect.poll(isOld).toBe(false);
  await expect(page.getByRole('heading', { name: JOB, level: 1 })).toBeVisible();
  await expect(page.getByText('The shop has a newer program.')).toBeHidden();
  await page.getByRole('link', { name: `Measure ${DOOR}` }).click();
  await expect(fitter.field('Depth behind')).toHaveValue('58');
});

test.describe('where nothing keeps the program on the device', () => {
  test.use({ serviceWorkers: 'block', allowedErrors: /Failed to load resource|ERR_|dynamically imported module/ });

  test('what is saved before the code that sends it has come is kept, said to be, and sent once the server is back', async ({
    fitter,
    shop,
  }) => {
    const { page } = fitter;
    await fitter.measure(JOB, DOOR);
    await fitter.type('Front gap', '24');
    await shop.kill();
    await fitter.save();
    await expect(page.getByText('The shop’s server does not answer. Trying again')).toBeVisible();
    await expect(page.getByText('Not in the shop yet')).toBeVisible();
    await shop.start();
    await fitter.saved();
    await expect(page.getByText('The shop’s server does not answer.')).toBeHidden();
  });

  test('a screen whose code does not come says so, and comes at the next try', async ({ fitter }) => {
    const { page } = fitter;
    let isAway = true;
    let asked = 0;
    await page.route(/BinScreen-/, async (route) => {
      asked++;
      await (isAway ? route.abort() : route.continue());
    });
    await fitter.openJobs();
    await page.getByRole('button', { name: /Change person/ }).click();
    await page.getByRole('link', { name: /^Bin/ }).click();
    await expect(page.getByRole('heading', { name: 'This screen could not be loaded' })).toBeVisible();
    // Not again and again, while nobody presses anything.
    expect(asked).toBeLessThan(5);
    isAway = false;
    await expect(async () => {
      await page.getByRole('button', { name: 'Try again' }).click({ timeout: 1000 });
      await expect(page.getByRole('heading', { name: 'Bin', level: 1 })).toBeVisible({ timeout: 1000 });
    }).toPass();
  });
});
