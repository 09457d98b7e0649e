/** The maker's separate amplifier: what hangs on it is judged as if it stays until somebody decides, and past it every channel is wired anew. */
import { expect, test } from '../driver/test';

const JOB = 'Ostrand Longshore, PILOT 1';
const DECK = 'Rear deck, left';

test('it stays, or is bypassed with its leads on the list, once every warning was heard without it', async ({
  fitter,
}) => {
  const { page } = fitter;
  await fitter.whatFits(JOB, DECK);
  await fitter.pick('Skerrivar Tide 6×9');
  await fitter.choose();
  await expect(page.getByText(/is chosen here\./)).toBeVisible();

  // The amplifier sends the deck bass only, and nobody said that it goes.
  await fitter.openJob(JOB);
  const points = page.getByRole('region', { name: 'Open points' });
  await points.getByRole('button', { name: /^Show all/ }).click();
  await points.getByRole('link', { name: /The maker’s amplifier: decide/ }).click();
  await expect(page.getByRole('heading', { name: 'Wires', level: 1 })).toBeVisible();
  const amplifier = page.getByRole('region', { name: 'The maker’s amplifier' });
  await expect(amplifier).toContainText(
    'It feeds front left, front right, rear left, rear right, deck left, deck right.',
  );
  await expect(amplifier).toContainText('Nobody decided: what hangs on it is judged as if it stays.');
  await expect(amplifier.getByLabel('What becomes of it')).toBeFocused();
  const checks = page.getByRole('list', { name: 'Checks of channel deck left' });
  await expect(checks).toContainText('Band: Hold');

  // Half a decision is none, and a figure of another unit is no ohms.
  await amplifier.getByLabel('What becomes of it').selectOption('Bypassed: its channels are fed anew');
  await amplifier.getByLabel('Stands, Ω').fill('4 W');
  const save = amplifier.getByRole('button', { name: 'Save the decision' });
  await save.click();
  await expect(amplifier.getByText('“4 W” was read. Type ohms such as 4, or leave it empty.')).toBeVisible();
  await amplifier.getByLabel('Stands, Ω').fill('4');
  await save.click();
  await expect(amplifier.getByText('Choose what feeds its channels instead.')).toBeVisible();
  await amplifier.getByLabel('Fed instead by').selectOption('A new radio');
  await amplifier.getByLabel('New leads go').selectOption('To its plug, then the car’s own wire');
  await amplifier.getByLabel('Gives, W').fill('22');
  await amplifier.getByLabel('Into, Ω').fill('4');
  await amplifier.getByLabel('Why').fill('a new radio is asked for');
  await save.click();
  await expect(page.getByText('What becomes of the maker’s amplifier is saved.', { exact: true })).toBeVisible();

  // Past it the deck gets everything; the leads are told, of what stays too.
  await expect(checks).toContainText('Band: Clears');
  await expect(page.getByText('past the maker’s amplifier').first()).toBeAttached();
  const wires = page.getByRole('region', { name: 'The channels' });
  await expect(wires).toContainText('A pair from the new radio to the amplifier’s plug for each of its channels');
  await expect(wires).toContainText('front left to Front door, left');

  // Nobody heard the warnings without it: nothing of it is ordered.
  await expect(amplifier).toContainText('Hold: Nobody knows what else sounds through the maker’s amplifier');
  await fitter.orderList(JOB);
  await expect(page.getByRole('region', { name: 'Held back' })).toContainText('unplug it, and hear every warning');
  await page.getByRole('link', { name: /^Wire/ }).click();
  await amplifier.getByLabel('Warnings and voices without it').selectOption('All heard with the amplifier unplugged');
  await save.click();
  await expect(amplifier).not.toContainText('unplug it, and hear');
  await page.reload();
  await expect(amplifier.getByLabel('Why')).toHaveValue('a new radio is asked for');
  await fitter.orderList(JOB);
  await expect(page.getByRole('region', { name: 'Lines' })).toContainText('Tide 6×9');
  await expect(page.getByText(/^6 times \d\.\d m of pair/).first()).toBeVisible();

  // Radio and amplifier come off: what hangs on their plugs is noted before they do.
  await fitter.openJob(JOB);
  await points.getByRole('button', { name: /^Show all/ }).click();
  await expect(points.getByRole('link', { name: /Note each plug of the radio/ }).first()).toBeVisible();
  await points
    .getByRole('link', { name: /Note each plug of the maker’s separate amplifier/ })
    .first()
    .click();
  const plugs = page.getByRole('region', { name: 'Plugs of radio and amplifier' });
  await plugs.getByRole('button', { name: 'Add a plug' }).click();
  const first = plugs.getByRole('group', { name: 'plug 1', exact: true });
  await first.getByLabel('Plug of').selectOption('The maker’s separate amplifier');
  await first.getByLabel('Looks like').fill('black, 20 positions');
  await plugs.getByRole('button', { name: 'Add a plug' }).click();
  const second = plugs.getByRole('group', { name: 'plug 2', exact: true });
  await second.getByLabel('Looks like').fill('grey, 16 positions');
  for (const what of ['Music', 'Camera']) await second.getByLabel(what).check();
  await page.getByRole('button', { name: 'Save room, ways and channels' }).click();
  await expect(page.getByText('Room, ways and channels are saved.', { exact: true })).toBeVisible();
  await fitter.openJob(JOB);
  await page.getByRole('link', { name: /^Wire/ }).click();
  await expect(amplifier).toContainText('The radio: grey, 16 positions; music, camera');
  await expect(amplifier).toContainText(
    'Hold: Find out what “black, 20 positions” of the maker’s separate amplifier carries before it is unplugged.',
  );

  // Neither is the work begun nor the car given back before somebody knows.
  for (const station of ['Build', 'Hand over']) {
    await page.getByRole('link', { name: new RegExp(`^${station}`) }).click();
    await expect(page.getByRole('link', { name: /Find out what “black, 20 positions”/ })).toBeVisible();
  }
  await page.getByRole('link', { name: /^Wire/ }).click();

  // Kept after all, it is what it was.
  await amplifier.getByLabel('What becomes of it').selectOption('It stays: what is new has to suit it');
  await save.click();
  await expect(checks).toContainText('Band: Hold');
  await expect(amplifier).not.toContainText('Hold: Find out');
  await expect(amplifier.getByLabel('Fed instead by')).toBeHidden();
  await page.goto(`${fitter.address}/history`);
  await expect(page.getByText(/The maker’s amplifier/).first()).toBeVisible();
});

test.describe('while the server is away', () => {
  // The browser logs each request that nobody answers.
  test.use({ allowedErrors: /ERR_/ });

  test('what is decided counts on this screen at once, and is in the shop once it is back', async ({
    fitter,
    shop,
  }) => {
    const { page } = fitter;
    await fitter.openJob(JOB);
    await page.getByRole('link', { name: /^Wire/ }).click();
    const amplifier = page.getByRole('region', { name: 'The maker’s amplifier' });
    await expect(amplifier).toContainText('It feeds front left');
    await shop.kill();
    await amplifier.getByLabel('What becomes of it').selectOption('It stays: what is new has to suit it');
    await amplifier.getByLabel('Why').fill('the radio is kept');
    await amplifier.getByRole('button', { name: 'Save the decision' }).click();
    await expect(amplifier.getByText(/Not in the shop yet/)).toBeVisible();
    await expect(amplifier).not.toContainText('Nobody decided');
    await shop.start();
    await expect(amplifier.getByText(/Not in the shop yet/)).toBeHidden();
    await page.reload();
    await expect(amplifier.getByLabel('Why')).toHaveValue('the radio is kept');
    await expect(amplifier).not.toContainText('Nobody decided');
  });
});
