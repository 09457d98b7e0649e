/** No lead plugs in: what is cut, joined, and asked for is decided before, and stands where it is done. */
import { expect, test } from '../driver/test';

const JOB = 'Corran Tern, HDS 3';
const DOOR = 'Front door, left';

test('where no lead plugs in, the old speaker’s connector is used again with leave; its joints are counted, listed, and made as the shop joins wires', async ({
  fitter,
}) => {
  const { page } = fitter;
  const joints = page.getByRole('region', { name: 'Joints' });
  const wires = async () => {
    await fitter.openJob(JOB);
    await page.getByRole('link', { name: /^Wire/ }).click();
    await expect(joints).toContainText(DOOR);
  };
  await fitter.measure(JOB, DOOR);
  await fitter.pickOf('Connector', '2-way dash, small');
  await fitter.save();
  await fitter.saved();
  await page.getByRole('link', { name: 'What fits here' }).click();
  await expect(fitter.ranked()).not.toHaveCount(0);
  await fitter.pick('Dunmarrow Leadline 65');
  await expect(fitter.check('Connector')).toContainText('No adapter leads from');
  const choosing = page.getByRole('region', { name: 'Choose' });
  await choosing.getByLabel('The old speaker’s own connector is cut off it and used again').check();
  await choosing.getByLabel('Which old speaker it is cut off').fill('The left one; plus by a cell');
  await choosing.getByLabel('Leave of the vehicle’s owner').fill('The school, by letter');
  for (const field of await choosing.getByLabel('Why it is ordered all the same').all())
    await field.fill('Tried in the hand, and it goes');
  await fitter.choose();
  await expect(page.getByText(/is chosen here\./)).toBeVisible();

  await wires();
  await expect(joints).toContainText(
    'The two wires of the old speaker’s connector to the new speaker’s lead, at the bench: 2 butt connectors. Strip 7 mm',
  );
  await expect(joints).toContainText('One wire is cut 35 mm shorter than the other');
  // At this one place it is to come apart again; elsewhere it stays as the shop joins wires.
  await joints.getByLabel(`Joined by, ${DOOR}`).selectOption('blades and their receptacles, all insulated');
  await expect(joints).toContainText('2 blades and their receptacles, all insulated. Strip 6 mm');
  await expect(joints).toContainText('Decided for this place.');
  await joints.getByLabel(`Joined by, ${DOOR}`).selectOption('as the shop joins wires');
  await expect(joints).toContainText('at the bench: 2 butt connectors. Strip 7 mm');
  // What is not whole any more is agreed to in writing before anything is ordered.
  await fitter.orderList(JOB);
  await expect(page.getByRole('region', { name: 'Held back' })).toContainText(
    'cutting the connector off the old speaker',
  );
  await page.getByRole('link', { name: /^Book in/ }).click();
  await page.getByLabel('Cutting the connector off the old speaker').fill('The school, by letter');
  await page.getByLabel('Leaving a grille off').fill('The school, by letter');
  await page.getByRole('button', { name: 'Save what was asked' }).click();
  await expect(page.getByRole('heading', { name: JOB, level: 1 })).toBeVisible();

  // In a shop that solders it is soldered at the bench, and the list asks for other things.
  await fitter.openPage('/settings', 'Settings');
  await page.getByLabel('Wires are joined by').selectOption('soldering and heat-shrink');
  await page.getByRole('button', { name: 'Save 1 setting' }).click();
  await expect(page.getByText('Saved in the shop.')).toBeVisible();
  await wires();
  await expect(joints).toContainText(
    '2 heat-shrink sleeves over soldered joints. Strip 13 mm; the sleeve on the wire first',
  );
  await fitter.orderList(JOB);
  await expect(page.getByRole('region', { name: 'To have at hand' })).toContainText(
    '2 heat-shrink sleeves over soldered joints, for the wires on both sides',
  );
  await page.getByRole('link', { name: /^Build/ }).click();
  await expect(page.getByRole('region', { name: DOOR })).toContainText('2 heat-shrink sleeves over soldered joints.');
});

test('an old speaker from which warnings come is not cut for its connector', async ({ fitter }) => {
  const { page } = fitter;
  await fitter.measure('Brackwell Ferryman, FERRY 16', 'Dash centre');
  await fitter.pickOf('Connector', '2-way trailer lead');
  await fitter.save();
  await fitter.saved();
  await page.getByRole('link', { name: 'What fits here' }).click();
  await expect(fitter.check('Connector')).toContainText('No adapter leads from');
  const choosing = page.getByRole('region', { name: 'Choose' });
  await expect(choosing.getByLabel('The loom is cut and spliced')).toBeVisible();
  await expect(choosing.getByLabel('The old speaker’s own connector is cut off it and used again')).toHaveCount(0);
});
