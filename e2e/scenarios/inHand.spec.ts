/** A calliper against a catalogue: what is read on a piece is judged by, on whatever screen is open, and counts for the maker's other parts. */
import { expect, test } from '../driver/test';

const JOB = 'Corran Tern, HDS 3';
const DOOR = 'Front door, left';
const DEPTH = 'Depth from the underside of the flange, mm';

test('a reading moves the verdict of an open screen, one that is none is said, three parts speak for their maker', async ({
  fitter,
  context,
}) => {
  const { page } = fitter;
  await fitter.whatFits(JOB, DOOR);
  await fitter.pick('Wrackline Shoal 65 Slim');
  await expect(fitter.verdict()).toContainText('Clears');

  const library = await context.newPage();
  const region = library.getByRole('region', { name: 'Measured in hand' });
  const read = async (id: string, name: string, depth: string) => {
    await library.goto(`${fitter.address}/parts/${id}`);
    await expect(library.getByRole('heading', { name, level: 1 })).toBeVisible();
    await library.getByLabel(DEPTH).fill(depth);
    await library.getByRole('button', { name: 'Save what was measured' }).click();
  };
  const saved = () => expect(library.getByText('What was measured is saved.', { exact: true })).toBeVisible();
  await read('spk-wrackline-shoal-65-slim', 'Wrackline Shoal 65 Slim', '6o');
  await expect(library.getByText(/“6o” was read\. Readings in mm, the next piece after a semicolon/)).toBeVisible();
  await expect(region).toContainText('Nobody measured a piece: every figure is its catalogue’s word.');
  await read('spk-wrackline-shoal-65-slim', 'Wrackline Shoal 65 Slim', '66 66.2; 66.1');
  await saved();
  await expect(region).toContainText('+20.1 mm against 46 mm in the catalogue');
  await expect(fitter.verdict()).toContainText('Hits');
  await library.getByText('Where each value comes from').click();
  const origins = library.getByRole('region', { name: 'Where each value comes from' });
  await expect(origins).toContainText('There from the beginning: nobody knows from whom');
  await expect(origins.getByRole('listitem').filter({ hasText: 'Mounting depth, mm' })).toContainText(
    'measured in hand since: Okke',
  );

  // Two parts say nothing of their maker, the third does.
  await read('spk-wrackline-shoal-65-slim', 'Wrackline Shoal 65 Slim', '47.2');
  await saved();
  await expect(region).toContainText('+1.2 mm against 46 mm');
  await read('spk-wrackline-shoal-52', 'Wrackline Shoal 52', '52.1');
  await saved();
  await expect(region).toContainText('+1.1 mm against 51 mm');
  await expect(region.getByText(/parts of Wrackline measured/)).toHaveCount(0);
  await read('spk-wrackline-shoal-40', 'Wrackline Shoal 40', '45.3');
  await saved();
  await expect(region).toContainText(/3 parts of Wrackline measured \+1\.2 mm .* this one was measured itself\./);
  await library.goto(`${fitter.address}/parts/spk-wrackline-shoal-65`);
  await expect(region).toContainText(
    /3 parts of Wrackline measured \+1\.2 mm against the catalogue, ± 0\.\d mm .* counted with here\./,
  );

  // And the screen that was open has it in its ledger.
  await fitter.pick('Wrackline Shoal 65');
  await expect(page.getByText('67.2 mm', { exact: true }).first()).toBeAttached();

  // Where its terminals sit is read as well: the check that had to wait for the piece is judged.
  const terminals = fitter.check('Terminals');
  await expect(terminals).toContainText('The catalogue does not say where the terminals sit');
  const places = library.getByLabel('Terminals and plugs, where they sit');
  await places.fill('below');
  await library.getByRole('button', { name: 'Save what was measured' }).click();
  await expect(library.getByText(/“below” was read\. Where it is and how large/)).toBeVisible();
  await places.fill('plug at 270°: 40 to 58 off the axis, 24 wide, 18 to 26 deep, live');
  await library.getByRole('button', { name: 'Save what was measured' }).click();
  await saved();
  await expect(region).toContainText(/Terminals: plug at 270°.* the catalogue says nothing of them/);
  await expect(terminals).not.toContainText('The catalogue does not say where the terminals sit');
});
