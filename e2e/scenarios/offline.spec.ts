import { Fitter } from '../driver/Fitter';
import { keptHere } from '../driver/keptHere';
import { expect, test } from '../driver/test';

const JOB = 'Corran Tern, HDS 4';
const DOOR = 'Front door, left';

test.use({ serviceWorkers: 'allow', allowedErrors: /ERR_|status of 409/, person: 'Rieke' });

test('a tablet drops off the network in the middle of a measurement and its battery is pulled: the half-typed numbers are on it, and everything acknowledged is on the counter’s screen', async ({
  fitter,
  shop,
  browser,
}) => {
  const { page } = fitter;
  const context = page.context();
  await fitter.measure(JOB, DOOR);
  await fitter.programKept();
  await fitter.type('Depth behind', '58');
  await fitter.save();
  await fitter.saved();
  const address = page.url();
  // What was shown last is written to the device a moment later.
  await expect.poll(() => keptHere(page)).toMatch(/low-quarry\.queries.*"depthBehind":\{"readingsMm":\[58\]/);

  await context.setOffline(true);
  await fitter.type('Front gap', '31');
  await fitter.save();
  await expect(page.getByText('Not in the shop yet: the server does not answer.')).toBeVisible();
  await fitter.type('Hole diameter', '14');
  await page.close();

  const after = new Fitter(await context.newPage(), shop.url);
  await after.page.goto(address);
  await expect(after.field('Depth behind')).toHaveValue('58');
  await expect(after.field('Front gap')).toHaveValue('31');
  await expect(after.field('Hole diameter')).toHaveValue('14');
  await expect(after.page.getByRole('link', { name: /^1 waiting/ })).toBeVisible();
  await after.page.getByRole('link', { name: /^1 waiting/ }).click();
  await expect(after.page.getByText('Measurements of Front door, left')).toBeVisible();

  const counter = new Fitter(await (await browser.newContext()).newPage(), shop.url);
  await counter.comeIn('Merle');
  await counter.measure(JOB, DOOR);
  await expect(counter.field('Depth behind')).toHaveValue('58');
  await expect(counter.field('Front gap')).not.toHaveValue('31');

  await context.setOffline(false);
  await expect(after.page.getByText('Nothing waits: the shop has everything')).toBeVisible();
  await expect(counter.field('Front gap')).toHaveValue('31');
  await after.page.goto(address);
  await expect(after.field('Hole diameter')).toHaveValue('14');
  await counter.page.context().close();
});

test('a save whose answer is lost is sent again and done once', async ({ fitter }) => {
  const { page } = fitter;
  await fitter.measure(JOB, DOOR);
  let lost = 0;
  await page.route('**/api/openings/*', async (route) => {
    if (route.request().method() !== 'PUT' || lost > 0) return route.continue();
    lost++;
    await route.fetch();
    await route.abort('connectionreset');
  });
  await fitter.type('Front gap', '31');
  await fitter.save();
  await fitter.saved();
  expect(lost).toBe(1);
  const id = page.url().split('/').at(-1);
  const answer = await page.request.get(new URL(`/api/history?record=${id}`, page.url()).href);
  const { changes } = await answer.json();
  expect(changes.filter(({ action }: { action: string }) => action === 'changed')).toHaveLength(1);
});

test('entries are sent in order, and a car that was booked in while the server was away is booked in once', async ({
  fitter,
  shop,
}) => {
  const { page } = fitter;
  await fitter.comeIn('Okke');
  await fitter.openJobs();
  await page.getByRole('button', { name: 'Book a car in' }).click();
  await fitter.pickOf('Vehicle and trim', 'Corran Tern');
  await page.getByLabel('Whose car').fill('Lighthouse');
  await shop.kill();
  await page.getByRole('button', { name: /^Book in with/ }).click();
  await expect(page.getByText('The car is booked in as soon as it is back, once')).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('link', { name: /^1 waiting/ })).toBeVisible();
  await shop.start();
  await expect(page.getByRole('link', { name: /waiting/ })).toHaveCount(0);
  // Opened again, the sheet is for the next car.
  await page.getByRole('button', { name: 'Book a car in' }).click();
  await expect(page.getByLabel('Whose car')).toHaveValue('');
  await fitter.openJobs();
  await expect(page.getByText('Lighthouse')).toHaveCount(1);
});

test('the open job can be read while the network is away, after a reload too; signing out leaves nothing to read', async ({
  fitter,
}) => {
  const { page } = fitter;
  await fitter.openJob(JOB);
  await fitter.programKept();
  const jobId = new URL(page.url()).pathname.split('/').at(-1);
  await expect.poll(() => keptHere(page)).toContain(`"queryKey":["jobs","${jobId}"]`);
  await page.context().setOffline(true);
  await page.reload();
  await expect(page.getByRole('heading', { name: JOB, level: 1 })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Measure Front door, left' })).toBeVisible();
  await expect(page.getByText('The shop’s server does not answer.')).toBeVisible();
  await page.context().setOffline(false);
  await expect(page.getByText('The shop’s server does not answer.')).toBeHidden();
  await page.getByRole('button', { name: /^Rieke\b.*Change person/ }).click();
  await page.getByRole('button', { name: 'Sign out', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Slipway Nine', level: 1 })).toBeVisible();
  await page.context().setOffline(true);
  await page.reload();
  await expect(page.getByText('Waiting for the server, to load who is signed in.')).toBeVisible();
});

test('what is on its way when somebody signs out is called back: nothing is asked for nobody', async ({ fitter }) => {
  const { page } = fitter;
  await fitter.openJob(JOB);
  await fitter.programKept();
  // The console of the page fails the test where the server has to answer that nobody is signed in.
  const asked: string[] = [];
  await page.route('**/api/**', async (route) => {
    const isSignOut = route.request().method() === 'DELETE';
    if (/\/session\b/.test(route.request().url()) && !isSignOut) return route.continue();
    // The server has signed out at once; its answer takes longer than what was asked before takes to get there.
    const response = isSignOut ? await route.fetch() : null;
    asked.push(route.request().url());
    await new Promise((done) => setTimeout(done, isSignOut ? 4000 : 2000));
    await (response ? route.fulfill({ response }) : route.continue()).catch(() => {});
  });
  await page.reload();
  await page.getByRole('button', { name: /^Rieke\b.*Change person/ }).click();
  await expect.poll(() => asked.length).toBeGreaterThan(0);
  await page.getByRole('button', { name: 'Sign out', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Slipway Nine', level: 1 })).toBeVisible();
});
