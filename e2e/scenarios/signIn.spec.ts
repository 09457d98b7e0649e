import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { expectAccessible } from '../driver/accessible';
import { Shop } from '../driver/Shop';
import { signInOf } from '../driver/signIns';
import { expect, test } from '../driver/test';

/** What a shop of one's own begins with. */
const STARTER_GOODS: { readonly parts: readonly object[] } = JSON.parse(readFileSync('starter/goods.json', 'utf8'));

// The browser logs refused sign-ins itself.
test.use({ person: null, allowedErrors: /status of 401|status of 403|status of 409|status of 422/ });

test('by name and password, then on by PIN; a wrong one says how many tries are left', async ({ fitter, shop }) => {
  const { page } = fitter;
  await page.goto(`${shop.url}/people`);
  await expect(page.getByRole('heading', { name: 'Slipway Nine', level: 1 })).toBeVisible();
  await page.getByLabel('Name', { exact: true }).fill('okke');
  await page.getByLabel('Password', { exact: true }).fill('not that one');
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(page.getByText('Name and password do not belong together.')).toBeVisible();
  await page.getByLabel('Password', { exact: true }).fill(signInOf('Okke').password);
  await page.keyboard.press('Enter');
  // The address that was asked for is opened.
  await expect(page.getByRole('heading', { name: 'People', level: 1 })).toBeVisible();

  await page.getByRole('button', { name: /^Okke\b.*Change person/ }).click();
  await page.getByRole('button', { name: 'Rieke', exact: true }).click();
  await page.getByLabel('PIN of Rieke').fill('0000');
  await page.getByRole('button', { name: 'Change to Rieke' }).click();
  await expect(page.getByText('4 more tries')).toBeVisible();
  await page.getByLabel('PIN of Rieke').fill(signInOf('Rieke').pin);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Rieke\b.*Change person/ })).toBeVisible();
  // The owner's page is not the fitter's.
  await expect(page.getByText('Rieke may not do this')).toBeVisible();
});

test('signed out in another tab: the next thing asked for leads to the sign-in, and what was to be saved is saved afterwards', async ({
  fitter,
}) => {
  const { page } = fitter;
  await fitter.comeIn('Rieke');
  await fitter.measure('Corran Tern, HDS 4', 'Front door, left');
  await fitter.type('Depth behind', '58');
  // Between the press and the server: a session that ended before is told to the screen, which may be gone when the hand comes.
  let isEnded = false;
  await page.route('**/api/openings/*', async (route) => {
    if (route.request().method() === 'PUT' && !isEnded) {
      isEnded = true;
      const headers = { Origin: new URL(page.url()).origin };
      await page.request.delete(new URL('/api/session', page.url()).href, { headers });
    }
    await route.continue();
  });
  await fitter.save();
  await expect(page.getByRole('heading', { name: 'Slipway Nine', level: 1 })).toBeVisible();
  await page.getByRole('button', { name: 'Rieke', exact: true }).click();
  await page.getByLabel('PIN of Rieke').fill(signInOf('Rieke').pin);
  await page.keyboard.press('Enter');
  await expect(fitter.field('Depth behind')).toHaveValue('58');
  // What was to be saved is saved now, by itself.
  await expect(page.getByRole('link', { name: /waiting/ })).toHaveCount(0);
  await page.reload();
  await expect(fitter.field('Depth behind')).toHaveValue('58');
  await expect(page.getByText('is back')).toBeHidden();
});

test('a draft is nobody else’s', async ({ fitter }) => {
  const { page } = fitter;
  await fitter.comeIn('Rieke');
  await fitter.measure('Corran Tern, HDS 4', 'Front door, left');
  await fitter.type('Depth behind', '58');
  await page.getByRole('button', { name: /^Rieke\b.*Change person/ }).click();
  await page.getByRole('button', { name: 'Jory', exact: true }).click();
  await page.getByLabel('PIN of Jory').fill(signInOf('Jory').pin);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Jory\b.*Change person/ })).toBeVisible();
  await expect(fitter.field('Depth behind')).not.toHaveValue('58');
});

test('the counter books cars in and looks at openings; saving measurements is the fitter’s', async ({ fitter }) => {
  const { page } = fitter;
  await fitter.comeIn('Merle');
  await fitter.openJobs();
  await expect(page.getByRole('button', { name: 'Book a car in' })).toBeVisible();
  await fitter.measure('Corran Tern, HDS 4', 'Front door, left');
  await fitter.type('Depth behind', '58');
  await expect(page.getByText('saving measurements is for a fitter or the owner')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Save measurements' })).toBeDisabled();
});

test('the owner adds somebody, who signs in on another device; whoever left is out', async ({
  fitter,
  browser,
  shop,
}) => {
  const { page } = fitter;
  await fitter.comeIn('Okke');
  await page.goto(`${shop.url}/people`);
  await page.getByRole('button', { name: 'Add somebody' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Okke');
  await page.getByLabel('First password').fill('boat hook and line');
  await page.getByRole('button', { name: 'Add Okke' }).click();
  await expect(page.getByText('There is a "Okke" already')).toBeVisible();
  await page.getByLabel('Name', { exact: true }).fill('Hanneke');
  await page.getByRole('button', { name: 'Add Hanneke' }).click();
  await expect(page.getByText('Hanneke, fitter')).toBeVisible();

  const other = await (await browser.newContext()).newPage();
  await other.goto(shop.url);
  await other.getByLabel('Name', { exact: true }).fill('Hanneke');
  await other.getByLabel('Password', { exact: true }).fill('boat hook and line');
  await other.keyboard.press('Enter');
  await expect(other.getByRole('heading', { name: 'Jobs', level: 1 })).toBeVisible();

  await page.getByRole('button', { name: 'Change Hanneke' }).click();
  await page.getByLabel('Works here').uncheck();
  await page.getByRole('button', { name: 'Save Hanneke' }).click();
  await expect(page.getByText('has left, cannot sign in')).toBeVisible();
  await other.reload();
  await expect(other.getByLabel('Password', { exact: true })).toBeVisible();
  await other.context().close();
});

test('one’s own PIN and the device’s name', async ({ fitter, shop }) => {
  const { page } = fitter;
  await fitter.comeIn('Rieke');
  await page.goto(`${shop.url}/me`);
  await page.getByLabel('New PIN').fill('4711');
  await page.getByLabel('My password').fill('wrong');
  await page.getByRole('button', { name: 'Set the PIN' }).click();
  await expect(page.getByText('That is not the password.')).toBeVisible();
  await page.getByLabel('My password').fill(signInOf('Rieke').password);
  await page.getByRole('button', { name: 'Set the PIN' }).click();
  await expect(page.getByText('The PIN is set.')).toBeVisible();
  await page.getByLabel('Name of this device').fill('Bay 1');
  await page.getByRole('button', { name: 'Name the device' }).click();
  await page.getByRole('button', { name: /^Rieke\b.*Change person/ }).click();
  await expect(page.getByText('Signed in at Bay 1.')).toBeVisible();
});

const SIZES = [
  { width: 1280, height: 800 },
  { width: 800, height: 1280 },
  { width: 390, height: 844 },
];

test('an empty database asks for the owner’s account and opens the shop', async ({ browser }) => {
  const shop = await Shop.create(`lq_e2e_${randomBytes(5).toString('hex')}`, null);
  await shop.start({ demo: false });
  const context = await browser.newContext();
  try {
    const page = await context.newPage();
    await page.goto(shop.url);
    await expect(page.getByRole('heading', { name: 'A new shop' })).toBeVisible();
    for (const size of SIZES) {
      await page.setViewportSize(size);
      await expectAccessible(page, `${size.width}`);
    }
    await page.getByLabel('Name of the shop').fill('Boathouse');
    await page.getByLabel('Your name').fill('Tamsin');
    await page.getByLabel('Password').fill('short');
    await page.getByRole('button', { name: 'Open the shop' }).click();
    await expect(page.getByText('Type at least 12 characters')).toBeVisible();
    await page.getByLabel('Password').fill('three short words');
    await page.getByRole('button', { name: 'Open the shop' }).click();
    await expect(page.getByText('No car is booked in.')).toBeVisible();

    // The first car comes in from its body: no library and no parts are needed for it.
    await page.getByRole('button', { name: 'Book a car in' }).click();
    await page.getByRole('button', { name: 'It is not in the library' }).click();
    await page.getByLabel('Body').selectOption('Small van');
    await page.getByLabel('Make').fill('Tollan');
    await page.getByLabel('Model').fill('Barge');
    await page.getByLabel('Whose car').fill('The first one');
    await page.getByRole('button', { name: 'Book in with 4 openings' }).click();
    await expect(page.getByRole('heading', { name: 'Tollan Barge, job 1', level: 1 })).toBeVisible();
    await page.getByRole('link', { name: 'Next: Which trim is it?' }).click();
    await expect(page.getByRole('heading', { name: /^Tollan Barge/, level: 1 })).toBeVisible();
    await page.goBack();
    await page.getByRole('link', { name: 'What fits Front door, left' }).click();
    await expect(page.getByText('The catalogue is empty: there is no speaker to try.')).toBeVisible();
    // What every shop has: each of it can be read.
    await page.getByRole('link', { name: 'Parts', exact: true }).click();
    const goods = STARTER_GOODS.parts.length;
    await expect(
      page.getByRole('heading', { name: `Parts, ${goods} of ${goods}`, level: 2, exact: true }),
    ).toBeVisible();
    await page.getByLabel('Find', { exact: true }).fill('push pin');
    await expect(page.getByText('Generic Push pin for a hole of 8 mm')).toBeVisible();
    await expect(page.getByText('cannot be read')).toHaveCount(0);
  } finally {
    await context.close();
    await shop.drop();
  }
});

test('others are not let in to the demo shop, nor to a shop without an owner; to a shop with one they are', async ({
  browser,
}) => {
  const shop = await Shop.create(`lq_e2e_${randomBytes(5).toString('hex')}`, null);
  const everywhere = { demo: false, host: '0.0.0.0' };
  await expect(shop.start(everywhere)).rejects.toThrow('the server ended with 1');
  await shop.start({ demo: false });
  const context = await browser.newContext();
  const page = await context.newPage();
  await page.goto(shop.url);
  await page.getByLabel('Name of the shop').fill('Boathouse');
  await page.getByLabel('Your name').fill('Tamsin');
  await page.getByLabel('Password').fill('three short words');
  await page.getByRole('button', { name: 'Open the shop' }).click();
  await expect(page.getByText('No car is booked in.')).toBeVisible();
  await shop.kill();
  await shop.start(everywhere);
  await context.close();
  await shop.drop();

  const demo = await Shop.create(`lq_e2e_${randomBytes(5).toString('hex')}`, null);
  await demo.start();
  await demo.kill();
  await expect(demo.start(everywhere)).rejects.toThrow('the server ended with 1');
  await demo.drop();
});
