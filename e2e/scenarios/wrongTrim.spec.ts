/** What went wrong once: a plug-in lead was bought for the higher trim, and this one has no wires in the door. */
import { expect, test } from '../driver/test';

test('a lower trim begins with nothing looked at, is asked for wires with the doors open, and no lead is bought for a door without', async ({
  fitter,
}) => {
  const { page, headers, address } = fitter;
  const higher = await (await page.request.get(`${address}/api/vehicles/veh-corran-tern`)).json();
  const { make, model, years, body, cab, doors, steeringSide, market, aliases } = higher.record;
  const variant = { make, model, years, body, cab, doors, steeringSide, market, aliases };
  const added = await page.request.post(`${address}/api/jobs`, {
    headers,
    data: {
      ...{ vehicleId: '', customer: 'Night ferry', registration: 'LOW 1', wants: 'Clearer', dueOn: null },
      goals: { clearer: 3 },
      newVehicle: {
        ...variant,
        ...{ trim: 'Low', audioPackage: 'None', from: { kind: 'variant', vehicleId: 'veh-corran-tern' } },
      },
    },
  });
  expect(added.status()).toBe(200);

  // Nothing of the higher trim's wires is taken over silently.
  await fitter.openJob('Corran Tern, LOW 1');
  const points = page.getByRole('region', { name: 'Open points' });
  await points.getByRole('button', { name: /^Show all/ }).click();
  const doorsOpen = points.locator('div').filter({ has: page.getByRole('heading', { name: 'With the doors open' }) });
  await expect(doorsOpen.getByRole('link', { name: /Do the doors have wires for speakers\?/ })).toBeVisible();
  await expect(doorsOpen.getByRole('link', { name: /Is the boot open for a wire/ })).toHaveCount(0);

  // The fitter pulls the boot back: no wires. Now it matters whether a wire goes through.
  await fitter.measure('Corran Tern, LOW 1', 'Front door, left');
  await page.getByLabel('What is there').selectOption('Opening without a speaker');
  await fitter.pickOf('Connector', 'No wires here');
  await fitter.save();
  await fitter.saved();
  await fitter.openJob('Corran Tern, LOW 1');
  await points.getByRole('button', { name: /^Show all/ }).click();
  await expect(doorsOpen.getByRole('link', { name: /Is the boot open for a wire/ })).toBeVisible();

  // Behind the other door's blind cover they are taped back: what is on their end is still to be seen, and a cracked plug holds the order.
  await fitter.measure('Corran Tern, LOW 1', 'Rear door, left');
  await page.getByLabel('What is there').selectOption('Opening without a speaker');
  await fitter.pickOf('Connector', 'Wires taped back, not unwrapped');
  await fitter.save();
  await fitter.saved();
  await fitter.openJob('Corran Tern, LOW 1');
  await points.getByRole('button', { name: /^Show all/ }).click();
  await points.getByRole('link', { name: /look at what is on its wires, which are taped back/ }).click();
  await fitter.pickOf('Connector', 'A plug that is broken');
  await fitter.save();
  await fitter.saved();
  await page.getByRole('link', { name: 'What fits here' }).click();
  await expect(fitter.check('Connector')).toContainText('A new housing on the same terminals');
});
