/** One browser, several tabs, several people: nothing is done in another's name, and signing out leaves nothing to read. */
import { Fitter } from '../driver/Fitter';
import { keptHere } from '../driver/keptHere';
import { signInOf } from '../driver/signIns';
import { expect, test, watchConsole } from '../driver/test';

const REFUSED = /status of 40[0-9]|Failed to load resource|ERR_|net::/;
test.use({ serviceWorkers: 'allow', person: 'Rieke', allowedErrors: REFUSED });

const JOB = 'Corran Tern, HDS 4';
const DOOR = 'Front door, left';

test('a tab of one person does not save under another who signed in in the next tab; it says who is signed in', async ({
  fitter,
  context,
}) => {
  await fitter.measure(JOB, DOOR);
  await fitter.type('Depth behind', '58');
  const other = new Fitter(await context.newPage(), fitter.address);
  const errors = watchConsole(other.page, REFUSED);
  await other.comeIn('Okke');
  await fitter.save();
  const { page } = fitter;
  await expect(page.getByRole('alert').getByText('Okke is signed in at this device now.')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Okke\b.*Change person/ })).toBeVisible();
  const changes = async () => {
    const id = page.url().split('/').at(-1);
    const answer = await page.request.get(`${fitter.address}/api/history?kind=opening&record=${id}`);
    return (await answer.json()).changes.filter(({ action }: { action: string }) => action === 'changed');
  };
  expect(await changes()).toEqual([]);
  // Rieke comes back: what she saved is sent in her name.
  await other.comeIn('Rieke');
  await page.reload();
  await expect(page.getByRole('button', { name: /^Rieke\b.*Change person/ })).toBeVisible();
  await expect
    .poll(async () => (await changes()).map(({ personName }: { personName: string }) => personName))
    .toEqual(['Rieke']);
  expect(errors).toEqual([]);
});

test('signing out while the server is away leaves nothing to read, says what stays, and is told once it is back', async ({
  fitter,
  shop,
}) => {
  const { page } = fitter;
  const keptNow = () => keptHere(page);
  await fitter.whatFits(JOB, DOOR);
  await fitter.measure(JOB, DOOR);
  await expect.poll(keptNow).toContain('bucket');
  await expect.poll(keptNow).toContain('low-quarry.queries');
  await fitter.programKept();
  await fitter.type('Depth behind', '58');
  await shop.kill();
  await fitter.save();
  await expect(page.getByRole('link', { name: /^1 waiting/ })).toBeVisible();
  await page.getByRole('button', { name: /^Rieke\b.*Change person/ }).click();
  await page.getByRole('button', { name: 'Sign out', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Signed out', level: 1 })).toBeVisible();
  await expect(page.getByText('1 entry of Rieke the shop does not have yet stays on this device')).toBeVisible();
  const kept = await keptNow();
  expect(kept).not.toContain('low-quarry.queries');
  expect(kept).not.toContain('signedIn');
  // The catalogue, with the shop's prices, is gone too.
  expect(kept).not.toContain('bucket');
  expect(kept).toContain('outbox.');
  await shop.start();
  await expect(page.getByRole('heading', { name: 'Slipway Nine', level: 1 })).toBeVisible();
  await page.getByRole('button', { name: 'Rieke', exact: true }).click();
  await page.getByLabel('PIN of Rieke').fill(signInOf('Rieke').pin);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Rieke\b.*Change person/ })).toBeVisible();
  await expect(page.getByRole('link', { name: /waiting/ })).toHaveCount(0);
  await fitter.measure(JOB, DOOR);
  await expect(fitter.field('Depth behind')).toHaveValue('58');
});

test('by PIN an owner looks after people only with the password, and what was begun goes on after it', async ({
  fitter,
}) => {
  const { page } = fitter;
  await fitter.openJobs();
  await page.getByRole('button', { name: /^Rieke\b.*Change person/ }).click();
  await page.getByRole('button', { name: 'Okke', exact: true }).click();
  await page.getByLabel('PIN of Okke').fill(signInOf('Okke').pin);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Okke\b.*Change person/ })).toBeVisible();
  await fitter.openPage('/backups', 'Backups');
  await page.getByRole('button', { name: 'Make a backup now' }).click();
  const dialog = page.getByRole('dialog', { name: 'Your password again' });
  await dialog.getByLabel('Password of Okke').fill('wrong');
  await dialog.getByRole('button', { name: 'Go on' }).click();
  await expect(dialog.getByText('That is not the password.')).toBeVisible();
  await dialog.getByLabel('Password of Okke').fill(signInOf('Okke').password);
  await dialog.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'asked for' })).toHaveCount(1);
  await expect(dialog).toBeHidden();
});
