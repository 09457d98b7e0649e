import { expect, test } from '../driver/test';

test('what lies on the shelf is counted, put aside for a car and not bought; what is too many goes back', async ({
  fitter,
}) => {
  const { page } = fitter;
  await fitter.openPage('/parts/spk-skerrivar-tide-6-half', 'Skerrivar Tide 6½');
  const shelf = page.getByRole('region', { name: 'On the shelf' });
  await expect(shelf).toContainText('Nobody has written down that any of it is there.');
  await shelf.getByLabel('Where it lies').fill('A3');
  await shelf.getByRole('button', { name: 'Put it on the shelf' }).click();
  await expect(shelf).toContainText('Count them, and type how many there are.');
  await shelf.getByLabel('Pieces, counted').fill('six');
  await expect(shelf).toContainText('“six” was read. Type a whole number, such as 2.');
  await shelf.getByLabel('Pieces, counted').fill('6');
  await page.reload();
  await expect(shelf.getByLabel('Pieces, counted')).toHaveValue('6');
  await shelf.getByRole('button', { name: 'Put it on the shelf' }).click();
  await expect(shelf.getByRole('listitem')).toContainText('6 pieces at A3');
  await expect(shelf.getByRole('listitem')).toContainText('From which order nobody wrote down. Counted by Okke');

  // The minibus needs two of them.
  await fitter.openJob('Brackwell Ferryman, FERRY 16');
  await page
    .getByRole('link', { name: /^Order/ })
    .first()
    .click();
  const lines = page.getByRole('region', { name: 'Lines' });
  await expect(lines).toContainText('Free on the shelf: 6 pieces at A3, S1.');
  await expect(lines).toContainText('€76.90');
  await lines.getByRole('button', { name: 'Put 2 aside' }).click();
  await expect(lines).toContainText('From the shelf: 2 pieces at A3, S2, put aside for this job.');
  await expect(lines).toContainText('€8.90');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(
    'Order list: 2 lines from 1 supplier, 1 from the shelf',
  );

  // Found by the number on its label, counted again, and one too many is named.
  await fitter.openPage('/shelf', 'Shelf');
  await page.getByLabel('Find').fill('s2');
  const lots = page.getByRole('region', { name: 'Lots' });
  await expect(lots.getByRole('listitem')).toHaveCount(1);
  await expect(lots).toContainText('Put aside for job 3, FERRY 16');
  await lots.getByRole('button', { name: 'Count or move S2' }).click();
  await lots.getByLabel('Pieces, counted').fill('3');
  await lots.getByLabel('Where it lies').fill('bag, bay 2');
  await lots.getByRole('button', { name: 'Save S2' }).click();
  await expect(lots).toContainText('3 pieces at bag, bay 2');
  await lots.getByRole('link', { name: 'job 3, FERRY 16' }).click();
  const tooMany = page.getByRole('region', { name: 'Put aside and not needed' });
  await expect(tooMany).toContainText('1 of 3 pieces at bag, bay 2, S2: Skerrivar Tide 6½.');
  await tooMany.getByRole('link', { name: 'See it on the shelf' }).click();
  await lots.getByRole('button', { name: 'Count or move S2' }).click();
  await lots.getByRole('button', { name: 'Give it back: free for any job' }).click();
  await expect(lots).not.toContainText('Put aside');
  await fitter.openJob('Brackwell Ferryman, FERRY 16');
  await page
    .getByRole('link', { name: /^Order/ })
    .first()
    .click();
  await expect(lines).toContainText('€76.90');
  await expect(lines).toContainText('Free on the shelf: 3 pieces at bag, bay 2, S2.');
});
