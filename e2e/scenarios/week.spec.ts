/** The bay's week: booked by typing, moved by hand, seen by others, read by a calendar. */
import type { Locator, Page } from '@playwright/test';
import { demoJobAddress } from '../driver/demoShop';
import { Fitter } from '../driver/Fitter';
import { expect, test } from '../driver/test';

test.use({ person: 'Merle', allowedErrors: /ERR_|status of 409/ });

const DAY_MS = 86_400_000;
/** The Wednesday of a week in which the demo has nothing. */
const WEDNESDAY = (() => {
  const day = new Date(Date.now() + 21 * DAY_MS);
  return new Date(day.getTime() + (3 - day.getUTCDay()) * DAY_MS).toISOString().slice(0, 10);
})();
const DAY = WEDNESDAY.split('-').map(Number).reverse().join('.');
const PILOT = 'Ostrand Longshore, PILOT 1';
const HIVE = 'Tarnhill Packhorse, HIVE 2';

/** Where a bar is held. */
const HOLD = { x: 20, y: 8 };

async function drag(page: Page, what: Locator, { x, y }: { readonly x: number; readonly y: number }): Promise<void> {
  // Where it stands once nothing moves it any more, and nothing lies over it.
  await what.hover({ position: HOLD });
  const box = await what.boundingBox();
  if (!box) throw new Error('expected something to drag');
  const from = { x: box.x + HOLD.x, y: box.y + HOLD.y };
  await page.mouse.down();
  await page.mouse.move(from.x + x / 2, from.y + y / 2, { steps: 4 });
  await page.mouse.move(from.x + x, from.y + y, { steps: 4 });
  await page.mouse.up();
}

test('two cars are booked, one person is at both, one is dragged away from it while a step of it is ticked', async ({
  fitter,
  browser,
}) => {
  const { page } = fitter;
  await fitter.openPage(`/bay?day=${WEDNESDAY}`, 'Bay');
  await expect(page.getByText('Nothing is booked in this week.')).toBeVisible();

  const sheet = page.getByRole('dialog');
  const book = async (car: string, at: string, lift: string) => {
    await page.getByRole('button', { name: `Book ${car}` }).click();
    await sheet.getByLabel('Day').fill(DAY);
    await sheet.getByLabel('From').fill(at);
    await sheet.getByLabel('Time of work').fill('1 h 30');
    await sheet.getByLabel('Lift').selectOption(lift);
    await sheet.getByLabel('Rieke').check();
  };
  await book(PILOT, 'noon', 'Lift 2');
  await sheet.getByRole('button', { name: 'Book the time' }).click();
  await expect(sheet.getByText('“noon” was read; type a time of the day such as 8:30.')).toBeVisible();
  await sheet.getByLabel('From').fill('9');
  await expect(sheet.getByText(/^◇ It is due on .*, and done on Wed /)).toBeVisible();
  await sheet.getByRole('button', { name: 'Book the time' }).click();
  await expect(sheet).toBeHidden();
  const bar = (plate: string) => page.getByRole('button', { name: new RegExp(`^${plate}`) });
  await expect(bar('PILOT 1')).toContainText('09:00 to 10:30');

  await book(HIVE, '10', 'Lift 1');
  const atBoth = `Rieke is at ${PILOT} (Wed 09:00) then.`;
  await expect(sheet.getByText(atBoth)).toBeVisible();
  await sheet.getByRole('button', { name: 'Book the time' }).click();
  await expect(page.getByRole('region', { name: 'What does not go together' })).toContainText(atBoth);
  await expect(bar('HIVE 2')).toContainText('Twice');
  await expect(page.getByRole('button', { name: `Book ${HIVE}` })).toBeHidden();

  // Another tablet writes something down of the car meanwhile: what is dragged is not held up by it, and nothing of it is lost.
  const other = await new Fitter(await (await browser.newContext()).newPage(), fitter.address).comeIn('Rieke');
  const address = `${fitter.address}/api${demoJobAddress(HIVE)}`;
  const hive = async () => (await (await other.page.request.get(address)).json()).job;
  const { version, bay } = await hive();
  const data = { version, bay: { ...bay, found: [FOUND] } };
  const ticked = await other.page.request.put(`${address}/bay`, { data, headers: other.headers });
  expect(ticked.status()).toBe(200);
  await drag(page, bar('HIVE 2'), { x: 0, y: 96 });
  await expect(bar('HIVE 2')).toContainText('12:00 to 13:30');
  await expect(page.getByText(atBoth)).toBeHidden();
  await page.reload();
  await expect(bar('HIVE 2')).toContainText('12:00 to 13:30');
  expect((await hive()).bay.found).toEqual([FOUND]);

  // By person it goes to who it is dropped at.
  await page.getByRole('button', { name: 'By person' }).click();
  const day = page.getByRole('region', { name: new RegExp(`^Wed ${DAY.replaceAll('.', '\\.')}`) });
  const jory = await day.getByRole('heading', { name: 'Jory' }).boundingBox();
  const here = await bar('HIVE 2').boundingBox();
  await drag(page, bar('HIVE 2'), { x: (jory?.x ?? 0) - (here?.x ?? 0), y: 0 });
  await expect(bar('HIVE 2')).toContainText('Jory');
  await expect(bar('HIVE 2')).not.toContainText('Rieke');
  await expect(page.getByText(`${HIVE}: Wed`).first()).toBeVisible();

  // Without the network nothing is moved, and that is said.
  await page.context().setOffline(true);
  await drag(page, bar('HIVE 2'), { x: 0, y: 48 });
  await expect(page.getByRole('alert').filter({ hasText: 'The shop’s server does not answer.' })).toBeVisible();
  await page.context().setOffline(false);
  await expect(bar('HIVE 2')).toContainText('12:00 to 13:30');

  await bar('HIVE 2').click();
  await sheet.getByRole('button', { name: 'Take the time off' }).click();
  await expect(bar('HIVE 2')).toBeHidden();
  await expect(page.getByRole('button', { name: `Book ${HIVE}` })).toBeVisible();

  // A calendar reads it under an address of its own, without signing in.
  await page.getByRole('button', { name: 'Make an address' }).click();
  const all = await page.getByLabel('All of the bay').inputValue();
  const outside = await (await browser.newContext()).newPage();
  const text = await (await outside.request.get(all)).text();
  expect(text).toContain('BEGIN:VCALENDAR');
  expect(text).toContain('PILOT 1');
  await page.getByRole('button', { name: 'End the address' }).click();
  await expect(page.getByText('You have none.')).toBeVisible();
  expect((await outside.request.get(all)).status()).toBe(404);

  // Who may not book sees the same week, and no button.
  await other.openPage(`/bay?day=${WEDNESDAY}`, 'Bay');
  await expect(other.page.getByText('Times are booked and moved by the counter or the owner.')).toBeVisible();
  await expect(other.page.getByRole('button', { name: /^PILOT 1/ })).toBeVisible();
  await expect(other.page.getByRole('button', { name: /^Book / })).toHaveCount(0);
});

const FOUND = {
  ...{ key: 'f1', step: 'battery off', where: 'Battery', words: 'a second one', by: 'Rieke' },
  ...{ at: '2026-11-27T09:00:00.000Z', settled: null },
};
