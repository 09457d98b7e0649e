import { expect, looking as test } from '../driver/test';

test('a list is narrowed by a depth and a size, shown with columns, put in order, and goes out as it is', async ({
  fitter,
}) => {
  const { page } = fitter;
  await fitter.openPage('/parts', 'Parts');
  await page.getByText('Narrow by figures, choose columns').click();
  await page.getByRole('textbox', { name: 'Mounting depth, mm, to' }).fill('fifty');
  await expect(page.getByText(/fifty\W+was not understood/)).toBeVisible();
  await page.getByRole('textbox', { name: 'Mounting depth, mm, to' }).fill('50');
  const list = page.getByRole('region', { name: 'Parts' });
  await expect(list.getByRole('heading')).toHaveText(/^Parts, \d{1,2} of/);
  await page.getByRole('textbox', { name: 'Mounting depth, mm, from' }).fill('60');
  await expect(page.getByText('It would end before it begins.')).toBeVisible();
  await page.getByRole('textbox', { name: 'Mounting depth, mm, from' }).fill('45');
  await page.getByLabel('Mounting depth, mm: a column').check();
  await page.getByLabel('Price of a piece, EUR: a column').check();
  const depths = () => list.locator('tbody tr td:nth-child(2)').allTextContents();
  await list.getByRole('button', { name: 'Mounting depth, mm' }).click();
  await expect(list.getByRole('columnheader', { name: 'Mounting depth, mm' })).toHaveAttribute(
    'aria-sort',
    'ascending',
  );
  // What was shown before stands until the new order has come.
  const inOrder = async () => {
    const shown = (await depths()).map(Number);
    const isUp = shown.every((depth, at) => at === 0 || depth >= (shown[at - 1] as number));
    return shown.length > 2 && isUp && shown.every((depth) => depth >= 45 && depth <= 50);
  };
  await expect.poll(inOrder).toBe(true);
  const up = await depths();

  // The address has it all; the columns stay for the next list.
  await page.reload();
  await expect(list.getByRole('columnheader', { name: 'Price of a piece, EUR' })).toBeVisible();
  expect(await depths()).toEqual(up);
  const href = await list.getByRole('link', { name: 'CSV' }).getAttribute('href');
  const csv = await (await page.request.get(`${fitter.address}${href}`)).text();
  expect(
    new Set(
      csv
        .trim()
        .split('\r\n')
        .slice(1)
        .map((row) => row.split(',')[0]),
    ).size,
  ).toBeGreaterThan(0);
  await expect(list).toContainText('Only: mounting depth, mm from 45 to 50.');
  await page.getByText('Narrow by figures, choose columns').click();
  await page.getByRole('button', { name: 'Take these off' }).click();
  await expect(list.getByRole('heading')).not.toHaveText(/^Parts, \d{1,2} of/);
  await fitter.openPage('/parts', 'Parts');
  await expect(list.getByRole('columnheader', { name: 'Mounting depth, mm' })).toBeVisible();
});
