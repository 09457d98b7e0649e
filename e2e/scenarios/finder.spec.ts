import { expect, looking as test } from '../driver/test';

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

  // What was found for the words before is not what Enter means now.
  await page.keyboard.press('Control+k');
  await field.fill('hds 3');
  await expect(found.filter({ hasText: 'Corran Tern, HDS 3' })).toBeVisible();
  let answer = () => {};
  const answered = new Promise<void>((resolve) => {
    answer = resolve;
  });
  await page.route(/api\/jobs\?.*find=pilot/, (route) => answered.then(() => route.continue()));
  await field.fill('pilot');
  await expect(found.filter({ hasText: 'HDS 3' })).toHaveCount(0);
  answer();
  await expect(found.filter({ hasText: 'PILOT 1' })).toBeVisible();
  await page.keyboard.press('Escape');

  await page.keyboard.press('Control+k');
  await field.fill('zzz');
  await expect(page.getByText('Nothing has “zzz” in it.')).toBeVisible();
  await field.fill('clearances');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Settings', level: 1 })).toBeVisible();
});

test.describe('while the library cannot be asked', () => {
  test.use({ allowedErrors: /status of 500|Failed to load resource/ });
  test('it is said that not everything was looked through', async ({ fitter }) => {
    const { page } = fitter;
    await page.route('**/api/vehicles?**', (route) =>
      route.fulfill({ status: 500, contentType: 'application/problem+json', body: '{}' }),
    );
    await fitter.openJobs();
    await page.keyboard.press('Control+k');
    await page.getByRole('combobox', { name: 'Find a job, a part, a vehicle or a page' }).fill('zzz');
    await expect(page.getByText('Not everything could be looked through')).toBeVisible();
    await expect(page.getByText('Nothing has')).toHaveCount(0);
  });
});

test.describe('who may not correct the library', () => {
  test.use({ person: 'Rieke' });
  test('reads what is known of a part, and changes nothing of it; closed, the finder leaves the focus where it was', async ({
    fitter,
  }) => {
    const { page } = fitter;
    await fitter.openJobs();
    await page.keyboard.press('Control+k');
    const field = page.getByRole('combobox', { name: 'Find a job, a part, a vehicle or a page' });
    await field.fill('plate 3/166');
    await expect(page.getByRole('option').filter({ hasText: 'Plate 3/166 to 6.5, 6 mm' })).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('button', { name: /^Find/ })).toBeFocused();
    await page.keyboard.press('Control+k');
    await field.fill('plate 3/166 to 6.5, 6 mm');
    await page.getByRole('option').filter({ hasText: 'Plate 3/166 to 6.5, 6 mm' }).click();
    await expect(page.getByRole('region', { name: 'Offers' })).toContainText(
      'Quayside Trade, no. QT-1245here in 2 working dayspack of 2, €15.90',
    );
    await expect(page.getByRole('region', { name: 'What its maker says' })).toContainText('Height, mm6');
    await expect(page.getByRole('button', { name: /^Save/ })).toHaveCount(0);
  });
});
