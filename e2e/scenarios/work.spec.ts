import { expect, test } from '../driver/test';

// Work whose table nobody may read fails; a server that was killed answers nothing for a moment.
test.use({
  allowedErrors: /net::ERR_/,
});

test('a backup that fails says why, is stopped, and is asked for again once the fault is mended', async ({
  shop,
  fitter,
}) => {
  const { page } = fitter;
  await shop.inDatabase((client) => client.query('REVOKE SELECT ON "choice" FROM low_quarry_app'));
  await fitter.openPage('/backups', 'Backups');
  await page.getByRole('button', { name: 'Make a backup now' }).click();
  const atWork = page.getByRole('list', { name: 'Being made' });
  await expect(atWork).toContainText(/Try 1 failed: permission denied for table choice\. It is tried again today at/);
  await page.getByRole('button', { name: 'Stop the backup' }).click();
  await shop.inDatabase((client) => client.query('GRANT SELECT ON "choice" TO low_quarry_app'));
  await fitter.openPage('/work', 'Server work');
  const backup = page.getByRole('listitem').filter({ hasText: 'Backup, by Okke' });
  await expect(backup).toContainText('Stopped today at');
  await page.getByRole('button', { name: 'Ask again for the backup' }).click();
  await expect(backup.filter({ hasText: /Done today at .* is in the list\./ })).toHaveCount(1);
  await fitter.openPage('/backups', 'Backups');
  await expect(page.getByRole('listitem').filter({ hasText: 'asked for' })).toHaveCount(1);
});

test('a backup in the middle of which the server is killed goes on by itself when the server is back', async ({
  shop,
  fitter,
}) => {
  const { page } = fitter;
  await fitter.openPage('/work', 'Server work');
  await expect(page.getByRole('listitem').filter({ hasText: 'Nightly work' })).toContainText('Done');
  await shop.inDatabase(async (client) => {
    // Whoever writes the table out waits for this transaction.
    await client.query('BEGIN');
    await client.query('LOCK TABLE "choice" IN ACCESS EXCLUSIVE MODE');
    await fitter.openPage('/backups', 'Backups');
    await page.getByRole('button', { name: 'Make a backup now' }).click();
    await expect(page.getByRole('list', { name: 'Being made' })).toContainText('Runs: Writing table 9 of 13.');
    await expect(page.getByRole('progressbar', { name: 'Backup, done' })).toHaveAttribute('value', '61');
    await shop.kill();
    await client.query('ROLLBACK');
  });
  await shop.start();
  await fitter.openPage('/work', 'Server work');
  await expect(page.getByRole('listitem').filter({ hasText: 'Backup, by Okke' })).toContainText('is in the list.');
  await fitter.openPage('/backups', 'Backups');
  await expect(page.getByRole('listitem').filter({ hasText: 'asked for' })).toHaveCount(1);
});
