/** What is saved whole from a form waits on the device as measurements do, whatever becomes of the page meanwhile. */
import type { Page } from '@playwright/test';
import { Fitter } from '../driver/Fitter';
import { keptHere } from '../driver/keptHere';
import { expect, test } from '../driver/test';

test.use({ serviceWorkers: 'allow', allowedErrors: /ERR_|status of 409/ });

const JOB = 'Corran Tern, HDS 4';
const WAITS = 'Not in the shop yet: the server does not answer.';

async function openVehicle(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'Vehicles', exact: true }).click();
  await page
    .getByRole('link', { name: /^Corran Tern/ })
    .first()
    .click();
  await expect(page.getByRole('button', { name: 'Save the vehicle' })).toBeVisible();
}

test('what was asked, tried and known of a car is saved while the server is away, once, and put together with what others saved', async ({
  fitter,
  shop,
  browser,
}) => {
  const { page } = fitter;
  // What is looked at once is on the device.
  await fitter.openJob(JOB);
  const job = page.url();
  await fitter.programKept();
  await page.goto(`${job}/baseline`);
  await expect(page.getByRole('button', { name: 'Save what was tried' })).toBeVisible();
  await openVehicle(page);
  const vehicle = page.url();
  // What was shown last is written to the device a moment later.
  await expect.poll(() => keptHere(page)).toMatch(/"vehicles","one","veh-corran-tern"/);
  await page.goto(`${job}/book-in`);
  await expect(page.getByLabel('How to reach them')).toBeVisible();
  await expect.poll(() => keptHere(page)).toMatch(/"vehicles","one","veh-corran-tern"/);
  await shop.kill();

  await page.getByLabel('How to reach them').fill('VHF 12');
  await page.getByRole('button', { name: 'Save what was asked' }).click();
  await expect(page.getByText(WAITS)).toBeVisible();
  // Pressed again with more, it is one entry, not two.
  await page.getByLabel('How to reach them').fill('VHF 12, evenings');
  await page.getByRole('button', { name: 'Save what was asked' }).click();
  await expect(page.getByRole('link', { name: /^1 waiting/ })).toBeVisible();
  await expect.poll(() => keptHere(page)).toMatch(/outbox.*VHF 12, evenings/);
  await page.goto(`${job}/baseline`);
  await page
    .getByRole('group', { name: /^Window, front left/ })
    .getByRole('button', { name: 'Works' })
    .click();
  await page.getByRole('button', { name: 'Save what was tried' }).click();
  await expect(page.getByText(WAITS)).toBeVisible();
  await page.goto(vehicle);
  await page.getByLabel('Audio package').fill('Eight speakers');
  await page.getByRole('button', { name: 'Save the vehicle' }).click();
  await expect(page.getByText(WAITS)).toBeVisible();
  await page.reload();
  await expect(page.getByText(WAITS)).toBeVisible();
  await expect(page.getByLabel('Audio package')).toHaveValue('Eight speakers');
  await page.getByRole('link', { name: /^3 waiting/ }).click();
  await expect(page.getByText(`What was asked of ${JOB}`, { exact: true })).toBeVisible();
  await page.getByRole('link', { name: /^Open it ?: Corran Tern/ }).click();
  await expect(page.getByLabel('Audio package')).toHaveValue('Eight speakers');

  await shop.start();
  await expect(page.getByText('The vehicle is saved.', { exact: true })).toBeVisible();
  await expect(page.getByRole('link', { name: /waiting/ })).toHaveCount(0);
  const other = new Fitter(await (await browser.newContext()).newPage(), shop.url);
  await other.comeIn('Okke');
  await other.page.goto(`${job}/book-in`);
  await expect(other.page.getByLabel('How to reach them')).toHaveValue('VHF 12, evenings');
  await other.page.goto(`${job}/baseline`);
  await expect(
    other.page.getByRole('group', { name: /^Window, front left/ }).getByRole('button', { name: 'Works' }),
  ).toHaveAttribute('aria-pressed', 'true');

  await test.step('what both changed is asked about when it is back', async () => {
    await other.page.goto(vehicle);
    await expect(other.page.getByLabel('Audio package')).toHaveValue('Eight speakers');
    await page.context().setOffline(true);
    await page.getByLabel('Audio package').fill('Ten speakers');
    await page.getByRole('button', { name: 'Save the vehicle' }).click();
    await expect(page.getByText(WAITS)).toBeVisible();
    await other.page.getByLabel('Audio package').fill('Six speakers');
    await other.page.getByRole('button', { name: 'Save the vehicle' }).click();
    await expect(other.page.getByText('The vehicle is saved.', { exact: true })).toBeVisible();
    await page.context().setOffline(false);
    await expect(page.getByText('Six speakers').first()).toBeVisible();
    await page.getByRole('radio', { name: /Ten speakers/ }).check();
    await page.getByRole('button', { name: 'Save what is picked' }).click();
    await expect(page.getByText('The vehicle is saved.', { exact: true })).toBeVisible();
    await expect(other.page.getByLabel('Audio package')).toHaveValue('Ten speakers');
  });
  await other.page.context().close();
});
