import { expect, test } from '../driver/test';

// A screen that is still open hears that its job went into the bin, and may ask for it before it is left.
test.use({ allowedErrors: /status of 401|status of 404|status of 409|status of 422|ERR_INCOMPLETE_CHUNKED_ENCODING/ });

test('the owner makes a backup, downloads it, loses a job for good, and brings the shop back', async ({ fitter }) => {
  const { page } = fitter;
  await fitter.openPage('/backups', 'Backups');
  await page.getByRole('button', { name: 'Make a backup now' }).click();
  const rows = page.getByRole('listitem').filter({ hasText: 'asked for' });
  await expect(rows).toHaveCount(1);
  const downloading = page.waitForEvent('download');
  await rows.getByRole('link', { name: 'Download' }).click();
  const file = await (await downloading).path();

  await fitter.openJob('Corran Tern, HDS 4');
  await page.getByRole('button', { name: 'End or delete' }).click();
  await page.getByRole('button', { name: /into the bin$/ }).click();
  await expect(page.getByRole('heading', { name: 'Jobs', level: 1 })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Corran Tern, HDS 4', exact: true })).toHaveCount(0);

  await fitter.openPage('/backups', 'Backups');
  await page.getByLabel('Backup file').setInputFiles({
    name: 'x.lqbackup',
    mimeType: 'application/octet-stream',
    buffer: Buffer.from('nonsense'.repeat(200)),
  });
  await expect(page.getByText('The backup is damaged')).toBeVisible();
  await page.getByLabel('Backup file').setInputFiles(file);
  await expect(page.getByText('is in the list.')).toBeVisible();
  const brought = page.getByRole('listitem').filter({ hasText: 'brought in' });
  await brought.getByRole('button', { name: 'Restore' }).click();
  await page.getByLabel('Type the shop’s name').fill('Slipway');
  await page.getByRole('button', { name: 'Replace everything with this backup' }).click();
  await expect(page.getByText('Type the name of the shop, "Slipway Nine"')).toBeVisible();
  await page.getByLabel('Type the shop’s name').fill('Slipway Nine');
  await page.getByRole('button', { name: 'Replace everything with this backup' }).click();
  await expect(page.getByRole('heading', { name: 'Slipway Nine', level: 1 })).toBeVisible();
  await fitter.comeIn('Okke');
  await fitter.openJob('Corran Tern, HDS 4');
});

test('the whole shop goes out as a file; into a shop that is not new it does not come', async ({ fitter }) => {
  const { page } = fitter;
  await fitter.openPage('/backups', 'Backups');
  const downloading = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Everything as JSON' }).click();
  const file = await (await downloading).path();
  await page.getByLabel('Shop file to bring into').setInputFiles(file);
  await expect(page.getByText('A shop file comes into a new shop only')).toBeVisible();
});
