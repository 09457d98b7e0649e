import { expect, test } from '../driver/test';

test('a registration, a part, a vehicle and a page are found from wherever one is, without a mouse', async ({
  fitter,
}) => {
  const { page } = fitter;
  await fitter.openPage('/bin', 'Bin');
  await page.keyboard.press('Control+k');
  const field = page.getByRole('combobox', { name: 'Find a job, a part, a vehicle or a page' });
  await expect(field).toBeFocused();
  await page.keyboard.type('hds 4');
  const found = page.getByRole('option');
  await expect(found.filter({ hasText: 'Corran Tern, HDS 4' })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Corran Tern, HDS 4', level: 1 })).toBeVisible();

  await page.getByRole('button', { name: /^Find/ }).click();
  await field.fill('shoal 65 slim');
  await found.filter({ hasText: 'Wrackline Shoal 65 Slim' }).click();
  await expect(page.getByRole('heading', { name: 'Will this one fit?', level: 1 })).toBeVisible();
  await expect(page.getByRole('combobox', { name: 'Speaker' })).toHaveValue('Wrackline Shoal 65 Slim, 6.5 in');

  await page.keyboard.press('Control+k');
  await field.fill('longshore premium');
  await found.filter({ hasText: 'Ostrand Longshore, 2016 to 2022, Premium' }).click();
  await expect(page.getByRole('combobox', { name: 'Vehicle and trim' })).toHaveValue(/^Ostrand Longshore/);

  await page.keyboard.press('Control+k');
  await field.fill('zzz');
  await expect(page.getByText('Nothing has “zzz” in it.')).toBeVisible();
  await field.fill('clearances');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Settings', level: 1 })).toBeVisible();
});

test.describe('who may not correct the library', () => {
  test.use({ person: 'Rieke' });
  test('is led to no record of it; closed, the finder leaves the focus where it was', async ({ fitter }) => {
    const { page } = fitter;
    await fitter.openJobs();
    await page.keyboard.press('Control+k');
    const field = page.getByRole('combobox', { name: 'Find a job, a part, a vehicle or a page' });
    await field.fill('plate 3/166');
    await expect(page.getByText('Nothing has “plate 3/166” in it.')).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('button', { name: /^Find/ })).toBeFocused();
  });
});
