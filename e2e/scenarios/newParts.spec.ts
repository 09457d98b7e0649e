/** Parts that no list brought: typed by hand in the trade's words, like another one, several at once; sets made of parts. */
import { expect, test } from '../driver/test';

test('an amplifier typed by hand, drawn meanwhile, slips said at their fields, kept through a reload; two more like it at once', async ({
  fitter,
}) => {
  const { page } = fitter;
  await fitter.openPage('/new-parts', 'New parts by hand');
  await page.getByLabel('Kind', { exact: true }).selectOption('Amplifier');
  await page.getByLabel('Maker', { exact: true }).fill('Cragholt');
  await page.getByLabel('What its maker calls it').fill('Six 45; CH-645');
  await page.getByLabel('Channels').fill('6');
  await page.getByLabel('Its box, mm').fill('300 × 170');
  await page.getByLabel('Power', { exact: true }).fill('6 × 45 W RMS at 4 Ω; 3 × 120 W RMS at 4 Ω, bridged');
  await page.getByRole('button', { name: 'Put it in the library' }).click();
  await expect(page.getByText(/“300 × 170” was read\. Its three sides with the height last/)).toBeVisible();
  await expect(page.getByText('Nobody wrote it down: whether it stands the load cannot be judged.')).toBeVisible();

  await page.reload();
  await expect(page.getByLabel('Channels')).toHaveValue('6');
  await page.getByLabel('Its box, mm').fill('300 × 170 × 52');
  await expect(
    page.getByRole('img', { name: 'The box from above and from the side, 300 × 170 × 52 mm' }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Put it in the library' }).click();
  await expect(page.getByRole('heading', { name: 'Cragholt Six 45', level: 1 })).toBeVisible();
  await expect(page.getByText('Amplifier, amplifier-cragholt-six-45, version 1')).toBeVisible();
  await expect(page.getByText('Nobody wrote it down: look into the box')).toBeVisible();

  await page.getByRole('link', { name: 'New one like it' }).click();
  await expect(
    page.getByText('Amplifier, with everything as Cragholt Six 45 has it: change what differs.'),
  ).toBeVisible();
  await expect(page.getByLabel('Power', { exact: true })).toHaveValue(/^6 × 45 W RMS at 4 Ω; 3 × 120/);
  await page.getByLabel('What its maker calls it').fill('Six 45 Black; CH-646\nSix 45 White; CH-647');
  await page.getByRole('button', { name: 'Put it in the library' }).click();
  await expect(page.getByText('2 parts are in the library.', { exact: true })).toBeVisible();
  await fitter.openPage('/parts?find=CH-647', 'Parts');
  await expect(page.getByRole('link', { name: /Cragholt Six 45 White/ })).toContainText('6 channels');

  // Both came in as one change, and go as one.
  await fitter.openPage('/history?kind=partsImport', 'History');
  await page.getByRole('button', { name: /^Undo/ }).first().click();
  await expect(page.getByText('by undo, took back Typed by hand')).toBeVisible();
  await fitter.openPage('/parts?find=CH-647', 'Parts');
  await expect(page.getByText('None has “CH-647” in it.')).toBeVisible();
});

test('a set leads to its pieces and they to it; what its box holds is typed as it is unpacked', async ({ fitter }) => {
  const { page } = fitter;
  await fitter.openPage('/parts/set-wrackline-skein-65', 'Wrackline Skein set 65');
  const box = page.getByRole('region', { name: 'In its box' });
  await expect(box.getByRole('listitem')).toHaveCount(5);
  await box.getByRole('link', { name: 'Wrackline Skein 65 C' }).click();
  await expect(page.getByRole('heading', { name: 'Wrackline Skein 65 C', level: 1 })).toBeVisible();
  await expect(box.getByText('Nobody wrote it down')).toBeVisible();
  await expect(box.getByRole('link', { name: 'Wrackline Skein set 65' })).toBeVisible();
  const typed = page.getByLabel('What is in its box', { exact: true });
  await typed.fill('two grilles');
  await page.getByRole('button', { name: 'Save its figures' }).click();
  await expect(page.getByText(/“two grilles” was read\. How many and of what/)).toBeVisible();
  await typed.fill('2 × grille; 2 × lead [adp-nobody-has]');
  await page.getByRole('button', { name: 'Save its figures' }).click();
  await expect(box.getByRole('listitem').filter({ hasText: '2 × grille' })).toBeVisible();
  await expect(box.getByText('adp-nobody-has is not in the library')).toBeVisible();
});
