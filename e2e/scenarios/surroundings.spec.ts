/** What stands behind an opening, noted by hand: beams, more depths, a traced hole. */
import { expect, test } from '../driver/test';

const JOB = 'Corran Tern, HDS 3';
const DOOR = 'Front door, left';

test('a crash bar is noted, drawn, and takes part in the verdict', async ({ fitter }) => {
  const { page } = fitter;
  await fitter.measure(JOB, DOOR);
  await page.getByRole('button', { name: 'Add a beam, rail or wire' }).click();
  const bar = page.getByRole('group', { name: 'crash beam' });
  await expect(bar.getByLabel('Depth to it, taken with')).toHaveValue('guess');
  await bar.getByLabel('Depth to it, mm').fill('14');
  await expect(bar.getByLabel('Depth to it, taken with')).toHaveValue('depthStick');
  await bar.getByLabel('Above the centre, mm').fill('-30');
  await bar.getByLabel('Diameter, mm').fill('1 1/4"');
  await bar.getByLabel('Runs at, °').fill('8');
  await expect(bar.getByLabel('Diameter, mm')).toHaveValue('31.8');
  await fitter.save();
  await fitter.saved();
  await page.reload();
  await expect(bar.getByLabel('Depth to it, mm')).toHaveValue('14');
  await page.getByRole('link', { name: 'What fits here' }).click();
  await expect(fitter.check('Beam, rail, wiring')).toContainText('crash beam');
  await expect(fitter.verdict()).not.toContainText('Clears');
});

test('a door card with a cut-out stops what is wider than it, and cloth may be touched', async ({ fitter }) => {
  const { page } = fitter;
  await fitter.measure(JOB, DOOR);
  await page.getByRole('button', { name: 'Add a card, grille or cloth' }).click();
  const card = page.getByRole('group', { name: 'Door card' });
  await card.getByLabel('Gap to it, mm').fill('1');
  await card.getByLabel('Diameter of the cut-out, mm').fill('90');
  await fitter.save();
  await fitter.saved();
  await page.reload();
  await expect(card.getByLabel('Gap to it, mm')).toHaveValue('1');
  await expect(page.getByRole('region', { name: 'Drawing' })).toContainText('door card');
  await page.getByRole('link', { name: 'What fits here' }).click();
  await expect(fitter.check('Front')).toContainText('into the door card');
  await page.getByRole('link', { name: 'Measurements' }).click();
  await card.getByLabel('What it is').selectOption('Cloth');
  const cloth = page.getByRole('group', { name: 'Cloth' });
  await expect(cloth).toContainText('Asked to keep the clearance of cloth.');
  await cloth.getByRole('button', { name: 'Remove cloth' }).click();
  await fitter.save();
  await fitter.saved();
});

test('a stud beside the hole and a housing behind it are noted, drawn, and take part in the verdict', async ({
  fitter,
}) => {
  const { page } = fitter;
  await fitter.measure(JOB, DOOR);
  await page.getByRole('button', { name: 'Add a bead, stud or nut' }).click();
  const stud = page.getByRole('group', { name: 'stud' });
  await stud.getByLabel('How proud it stands, mm').fill('7');
  await stud.getByLabel('To the right of the centre, mm').fill('-80');
  await page.getByLabel('Seat or housing behind the hole').selectOption('One the basket goes into');
  await page.getByLabel('Diameter of the bore, mm').fill('90');
  await page.getByLabel('Depth of the bore, mm').fill('25');
  await fitter.save();
  await fitter.saved();
  await page.reload();
  await expect(stud.getByLabel('How proud it stands, mm')).toHaveValue('7');
  await expect(page.getByLabel('Diameter of the bore, mm')).toHaveValue('90');
  await expect(page.getByRole('region', { name: 'Drawing' })).toContainText('stud');
  await page.getByRole('link', { name: 'What fits here' }).click();
  await expect(fitter.check('Lies flat')).toContainText('stud');
  await expect(fitter.check('Hole')).toContainText('bore behind the hole');
  await expect(fitter.verdict()).toContainText('Hits');
  await page.getByRole('link', { name: 'Measurements' }).click();
  await page.getByLabel('Seat or housing behind the hole').selectOption('None');
  await stud.getByRole('button', { name: 'Remove stud' }).click();
  await page.getByLabel('Beads, studs or nuts around the hole').selectOption('Looked: nothing there');
  await fitter.save();
  await fitter.saved();
  await page.getByRole('link', { name: 'What fits here' }).click();
  await expect(fitter.check('Lies flat')).toContainText('Somebody looked: nothing stands proud around the hole.');
});

test('a number that cannot be read keeps the whole from being saved, and its place is shown', async ({ fitter }) => {
  const { page } = fitter;
  await fitter.measure(JOB, DOOR);
  await page.getByRole('button', { name: 'Add a depth at another place' }).click();
  const depth = page.getByRole('group', { name: 'Depth 1 at another place' });
  await depth.getByLabel('To the right of the centre, mm').fill('far');
  await depth.getByLabel('Above the centre, mm').fill('900');
  await expect(depth).toContainText('"far" was not understood');
  await expect(depth).toContainText('900 mm was read; expected −300 mm to 300 mm.');
  await fitter.save();
  await expect(page.getByText('Not saved: one field cannot be read')).toBeVisible();
  await expect(depth.getByLabel('To the right of the centre, mm')).toBeFocused();
  // What cannot be read is typed too: it is there after a reload, and still keeps the whole from being saved.
  await page.reload();
  await expect(depth.getByLabel('To the right of the centre, mm')).toHaveValue('far');
  await expect(depth).toContainText('"far" was not understood');
  await expect(depth.getByLabel('Above the centre, mm')).toHaveValue('900');
  await fitter.save();
  await expect(page.getByText('Not saved: one field cannot be read')).toBeVisible();
  await depth.getByLabel('To the right of the centre, mm').fill('50');
  await depth.getByLabel('Above the centre, mm').fill('-20');
  await fitter.save();
  await fitter.saved();
});

test('a hole of no regular shape is traced, whichever way round', async ({ fitter }) => {
  const { page } = fitter;
  await fitter.measure(JOB, DOOR);
  await page.getByLabel('Shape of the hole').selectOption('Free shape, traced');
  const corners = page.getByLabel('Corners of the hole, mm', { exact: true });
  await corners.fill('70; 70\n70; -70');
  await expect(page.getByText('2 places were read; expected 3 to 400.')).toBeVisible();
  await corners.fill('70; 70\n70; -70; 10\n-70; -70\n-70; 70');
  await fitter.save();
  await fitter.saved();
  await page.reload();
  await expect(corners).toHaveValue('−70; 70\n−70; −70; 10\n70; −70\n70; 70');
  await page.getByRole('link', { name: 'What fits here' }).click();
  await expect(fitter.check('Hole')).toContainText('mm');
});
