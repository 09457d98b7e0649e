/** Booking in: what has to be asked before the customer hangs up is named, asked where asking is cheap, and kept. */
import { expect, test } from '../driver/test';

test('a car that no library knows, of a company: the rail names what to ask, an answer closes its point, the leave holds', async ({
  fitter,
}) => {
  const { page } = fitter;
  await fitter.openJobs();
  await page.getByRole('button', { name: 'Book a car in' }).click();
  await page.getByRole('button', { name: 'It is not in the library' }).click();
  await page.getByLabel('Body').selectOption('Estate, 5 doors');
  await page.getByLabel('Make').fill('Tollan');
  await page.getByLabel('Model').fill('Skiff');
  await page.getByLabel('Whose car').fill('Harbour vet');
  await page.getByLabel('What is wanted').fill('Voices clearer');
  await page.getByRole('button', { name: 'Book in with 7 openings' }).click();

  const rail = page.getByRole('navigation', { name: 'Stations' });
  const points = page.getByRole('region', { name: 'Open points' });
  await expect(points.getByRole('heading', { name: 'Ask before the customer hangs up' })).toBeVisible();
  await expect(points.getByRole('listitem').nth(0)).toContainText('Which trim is it?');
  await expect(points.getByRole('listitem').nth(1)).toContainText('Which audio package does it have');
  await expect(points.getByRole('listitem').nth(2)).toContainText('Whose car is it?');
  // Twelve by telephone, seven places that nobody has looked at, and what works, sounds and is scratched.
  await expect(rail.getByRole('link', { name: /^Book in/ })).toContainText('23 open');
  await expect(rail.getByRole('link', { name: /^Order/ })).toContainText('not begun');

  // The trim is the vehicle’s: the main button leads there.
  await page.getByRole('link', { name: 'Next: Which trim is it?' }).click();
  await page.getByLabel('Trim').fill('Middle');
  await page.getByLabel('Audio package').fill('Amplifier under the seat');
  await page.getByRole('button', { name: 'Save the vehicle' }).click();
  await expect(page.getByText('The vehicle is saved.', { exact: true })).toBeVisible();
  await fitter.openJobs();
  const row = page.getByRole('listitem').filter({ hasText: 'Harbour vet' });
  await row.getByRole('link', { name: /^Whose car is it\?/ }).click();

  // It opens at the field that was asked for.
  await expect(page.getByLabel('Whose car it is')).toBeFocused();
  await page.getByLabel('Whose car it is').selectOption('A company’s');
  await page.getByLabel('The owner’s leave').selectOption('Asked for, no answer yet');
  await page.getByLabel('Who was asked, when, and how').fill('The practice, by telephone on Friday');
  await page.getByLabel('Asked: nothing has to be put back').check();
  await page.getByLabel('How to reach them').fill('Evenings');
  await page.getByLabel('Clearer', { exact: true }).selectOption('above all');
  // What is said beforehand follows from the wish.
  await page.getByLabel('On the factory radio it gets clearer rather than much louder.').check();
  await expect(page.getByLabel(/^Twice the power is 3 dB/)).toHaveCount(0);
  await page.getByLabel('A quieted door lets other noises be heard.').check();
  await page.getByLabel('The radio stays').check();
  await page.getByLabel('Budget, whole, EUR').fill('four hundred');
  await page.getByRole('button', { name: 'Save what was asked' }).click();
  await expect(page.getByText('“four hundred” was read. Type an amount such as 420')).toBeVisible();
  await page.getByLabel('Budget, whole, EUR').fill('420');
  await page.getByLabel('A bass box').check();
  await expect(page.getByText('Later, a bass box: Its room and a way for its wires stay free')).toBeVisible();
  await page.getByLabel('Asked: nothing was done').check();
  await page.getByLabel('Lost when the battery is off').fill('Radio code');
  await page.getByLabel('Due on').fill('31.2.');
  await page.getByRole('button', { name: 'Save what was asked' }).click();
  await expect(page.getByText('“31.2.” was read and is no day. Type one such as 4.12.2026')).toBeVisible();
  await page.getByLabel('Due on').fill('4.12.2026');
  await expect(page.getByText('Fri 4.12.2026')).toBeVisible();
  await page.getByLabel('Drilling new holes into the car').fill('The practice, by letter');
  await page.getByRole('button', { name: 'Add a question' }).click();
  await page.getByLabel('What is asked').fill('Does the door plug carry the chime?');
  await page.getByLabel('Of whom').selectOption('The vehicle maker');
  await page.getByLabel('Asked on').fill('2026-11-27');
  await page.getByLabel('Answer', { exact: true }).fill('Perhaps');
  await page.getByRole('button', { name: 'Save what was asked' }).click();
  await expect(page.getByText('Choose what the answer is worth.')).toBeVisible();
  await page.getByLabel('Answer', { exact: true }).fill('');
  // A battery that is pulled loses nothing.
  await page.reload();
  await expect(page.getByLabel('Budget, whole, EUR')).toHaveValue('420');
  await page.getByRole('button', { name: 'Save what was asked' }).click();

  await expect(page.getByRole('heading', { name: /^Tollan Skiff, job/, level: 1 })).toBeVisible();
  await expect(page.getByText('Clearer (above all). Voices clearer')).toBeVisible();
  await expect(points.getByRole('listitem').first()).toContainText('The car’s owner was asked and has not answered.');
  await expect(rail.getByRole('link', { name: /^Book in/ })).toContainText('15 open, held');
  await expect(
    points.getByText('The vehicle maker, asked on Fri 27.11.2026, no answer yet: Does the door plug carry the chime?'),
  ).toBeVisible();
  await expect(points.getByRole('heading', { name: 'At the car, doors closed' })).toBeVisible();

  // What was asked is told with who asked it.
  await page.getByRole('link', { name: 'History' }).click();
  await expect(page.locator('ol[aria-label="Changes"] > li').first()).toContainText(
    'Budget, whole: not asked → 420.00',
  );
});

test.describe('two at the counter', () => {
  test.use({ allowedErrors: /status of 409/ });

  test('what each asked is put together', async ({ fitter, shop, browser }) => {
    const { page } = fitter;
    const context = await browser.newContext();
    const { Fitter } = await import('../driver/Fitter');
    const other = new Fitter(await context.newPage(), shop.url);
    await other.comeIn('Jory');
    for (const each of [fitter, other]) {
      await each.openJob('Corran Tern, HDS 4');
      await each.page.getByRole('link', { name: /^Book in/ }).click();
    }
    await page.getByLabel('How to reach them').fill('School office');
    await other.page.getByLabel('Nothing is planned').check();
    await other.page.getByRole('button', { name: 'Save what was asked' }).click();
    await expect(other.page.getByRole('heading', { name: 'Corran Tern, HDS 4', level: 1 })).toBeVisible();
    await page.getByRole('button', { name: 'Save what was asked' }).click();
    await expect(page.getByRole('heading', { name: 'Corran Tern, HDS 4', level: 1 })).toBeVisible();
    await page.getByRole('link', { name: /^Book in/ }).click();
    await expect(page.getByLabel('How to reach them')).toHaveValue('School office');
    await expect(page.getByLabel('Nothing is planned')).toBeChecked();
    await context.close();
  });
});

test.describe('a fitter', () => {
  test.use({ person: 'Rieke' });
  test('looks at what was asked, and does not save it', async ({ fitter }) => {
    await fitter.openJob('Brackwell Ferryman, FERRY 16');
    await fitter.page.getByRole('link', { name: /^Book in/ }).click();
    await expect(fitter.page.getByLabel('The owner’s leave')).toHaveValue('asked');
    await expect(fitter.page.getByRole('button', { name: 'Save what was asked' })).toBeDisabled();
  });
});

test('the old speaker is heard alone and read with the meter: a slip of the meter is caught, a silent one is not ordered for blindly', async ({
  fitter,
}) => {
  const { page } = fitter;
  await fitter.measure('Corran Tern, HDS 3', 'Rear door, left');
  const old = page.getByRole('region', { name: 'The old speaker' });
  const coil = old.getByRole('status').first();
  await expect(coil).toHaveText('Not read: it is assumed, as good as dead.');
  await old.getByLabel('Heard alone').selectOption('Silent');
  await fitter.save();
  await fitter.saved();
  await page.getByRole('link', { name: 'Corran Tern, HDS 3' }).click();
  const points = page.getByRole('region', { name: 'Open points' });
  await expect(points).toContainText('Rear door, left: it is silent, and nobody knows why. Do not order for it yet.');
  await expect(
    page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: /^Book in/ }),
  ).toContainText('held');
  await page.getByRole('link', { name: /^Next: Rear door, left: it is silent/ }).click();

  // The cheapest way to the cause: what can be tried with the doors closed comes first.
  const tree = page.getByRole('region', { name: 'Is it the speaker at all?' });
  await expect(tree).toContainText('about 1 minute');
  await tree.getByRole('button', { name: 'It is good then' }).click();
  await expect(tree.getByRole('status')).toContainText(/^It is (the source|a setting)/);
  await tree.getByRole('button', { name: 'Take the last test back' }).click();
  await tree.getByRole('button', { name: 'It stays as it is' }).click();
  await expect(tree.getByRole('status')).toContainText('Still possible:');

  const meter = old.getByLabel('Meter across its terminals');
  await meter.fill('seven');
  await expect(old.getByText('“seven” was not understood. Type what the meter shows')).toBeVisible();
  await meter.fill('3.4; 3.5');
  await old.getByLabel('Marked as').selectOption('4 Ω');
  await old.getByLabel('Meter with its probes together').fill('0.2');
  await expect(coil).toContainText('Plausible: 3.3 Ω is 81 % of 4 Ω, and 70 to 100 % is healthy.');
  // A meter that reads a known speaker wrong is not believed.
  await old.getByLabel('Control: a speaker known to have, Ω').fill('3.4');
  await old.getByLabel('The same meter across it').fill('OL');
  await expect(old.getByText('“OL” was read. Type one figure of at most 100 Ω')).toBeVisible();
  await old.getByLabel('The same meter across it').fill('7.2');
  await expect(coil).toContainText('The meter is in doubt: a speaker known to have 3.4 Ω reads 7.2 Ω.');
  await old.getByLabel('The same meter across it').fill('3.7');
  await expect(coil).toContainText('Plausible: 3.3 Ω');
  // An auto-ranging meter shows a seven and a mega sign: an open coil, not seven ohms.
  await meter.fill('7 M');
  await expect(coil).toContainText('The meter counts in kilo- or megohms here');
  await expect(coil).toContainText('A tweeter behind its capacitor reads so and is healthy');
  await old.getByLabel('A capacitor before the coil').selectOption('None');
  await expect(coil).toContainText('Open: the coil lets nothing through.');
  await expect(tree.getByRole('status')).toHaveText('It is the speaker itself.');
  await fitter.save();
  await fitter.saved();
  await page.getByRole('link', { name: 'Corran Tern, HDS 3' }).click();
  await expect(points).toBeVisible();
  await expect(points.getByText('Rear door, left: it is silent')).toHaveCount(0);
  await page.getByRole('link', { name: 'History' }).click();
  await expect(page.locator('ol[aria-label="Changes"] > li').first()).toContainText(
    'Silent. Open: the coil lets nothing through.',
  );
});
