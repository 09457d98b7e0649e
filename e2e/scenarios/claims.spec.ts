/** What a seller says against what the tape says: beside the verdict, and on one page with all that disagrees. */
import { expect, test } from '../driver/test';

test('a claim is typed, stands beside the verdict that contradicts it, and is listed as contradicted', async ({
  fitter,
}) => {
  const { page } = fitter;
  await fitter.openPage('/disagreements', 'Where they disagree');
  await expect(page.getByText('No claim is contradicted or open.')).toBeVisible();
  await fitter.openPage('/parts/spk-wrackline-shoal-65', 'Wrackline Shoal 65');
  const region = page.getByRole('region', { name: 'What others say' });
  await region.getByRole('button', { name: 'Add a claim' }).click();
  await region.getByRole('button', { name: 'Save what others say' }).click();
  await expect(region.getByText('Pick a vehicle.')).toBeVisible();
  await fitter.pickOf('Vehicle and trim', 'Corran Tern');
  await region.getByLabel('Place', { exact: true }).selectOption('Front door');
  await region.getByLabel('Who says it').fill('Northmole’s list');
  await region.getByRole('button', { name: 'Save what others say' }).click();
  await expect(page.getByText('What others say is saved.', { exact: true })).toBeVisible();

  await region.getByRole('link', { name: 'Where claim, catalogue and tape disagree' }).click();
  const claims = page.getByRole('region', { name: 'Claims' });
  await expect(claims.getByRole('listitem').first()).toContainText('Northmole’s list says it fits');
  await expect(claims.getByRole('listitem').first()).toContainText('Corran Tern');
  await expect(claims.getByRole('listitem').first()).toContainText('€44.50 a piece');
});

test('beside the verdict of a job: the tape counts', async ({ fitter, context }) => {
  const { page } = fitter;
  await fitter.whatFits('Corran Tern, HDS 3', 'Front door, left');
  await fitter.pick('Wrackline Shoal 65');
  await expect(fitter.verdict()).toContainText('Hits');
  await expect(page.getByRole('list', { name: 'Claims' })).toHaveCount(0);
  const { vehicle } = await page.evaluate(
    async (id) => {
      const { job } = await (await fetch(`/api/jobs/${id}`)).json();
      return job;
    },
    /jobs\/([^/]+)/.exec(page.url())?.[1] ?? '',
  );
  const other = await context.newPage();
  await other.goto(`${fitter.address}/parts/spk-wrackline-shoal-65`);
  await other.evaluate(
    async ({ vehicleId, headers }) => {
      const part = await (await fetch('/api/parts/spk-wrackline-shoal-65')).json();
      const claim = {
        vehicleId,
        place: 'frontDoorLow',
        says: 'fits',
        by: 'Northmole’s list',
        notedBy: 'Okke',
        on: '2026-11-20',
      };
      await fetch('/api/parts/spk-wrackline-shoal-65', {
        method: 'PUT',
        headers: { ...headers, 'Content-Type': 'application/json', 'Idempotency-Key': crypto.randomUUID() },
        body: JSON.stringify({ version: part.version, record: { ...part.record, claims: [claim] } }),
      });
    },
    { vehicleId: vehicle.id, headers: { 'LQ-Person': fitter.headers['LQ-Person'] ?? '' } },
  );
  await expect(page.getByRole('list', { name: 'Claims' })).toContainText(
    /Northmole’s list says it fits \(.*20.*\)\. The tape says otherwise: it counts/,
  );
});
