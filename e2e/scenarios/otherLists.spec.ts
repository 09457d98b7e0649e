/** A supplier's list of brackets: what it is of is seen from its headings, and the cars that it names are claims of its parts. */
import { expect, test } from '../driver/test';

const LIST = [
  'Art. no.;Brand;Description;Stack height (in);Opening;Outside diameter;Holes to the vehicle;Holes to the speaker;Net;Fits',
  'B-1;Kelpstone;Plate Z 18;0.7;142 mm;170 mm;4 holes 5 on 160 mm;4 holes 4.5 on 156 mm;9,90;"Corran Tern 15-18, front door; Marl Barge"',
  'B-2;Kelpstone;Plate Z 25;1;142 mm;170 mm;4 holes 5 on 160 mm;four;9,90;',
].join('\n');

test('brackets come in by a list, with what it claims; what cannot be read stays out, with its cell', async ({
  fitter,
}) => {
  const { page } = fitter;
  await fitter.openPage('/supplier-list', 'A supplier’s list');
  await page.getByLabel('Supplier', { exact: true }).fill('Hillfoot Stores');
  await page
    .getByLabel('List: XLSX, ODS or CSV')
    .setInputFiles({ name: 'brackets.csv', mimeType: 'text/csv', buffer: Buffer.from(LIST) });
  const of = page.getByLabel('What the list is of');
  await expect(of).toHaveValue('bracket');
  const changes = page.getByRole('region', { name: 'What it changes' });
  await expect(changes).toContainText('It has 1 new bracket and 1 new claim.');
  await expect(changes).toContainText('1 car that it names is not in this library: nothing is noted of it.');
  await expect(page.getByRole('region', { name: 'Findings' })).toContainText(
    'Stays out, row 3, column H: “four” was read. Words such as “4 holes 5 on 156 mm, first at 45°” would do.',
  );
  await expect(page.getByLabel('Bare numbers of column D in')).toHaveValue('in');

  // Taken for something else its cells mean something else.
  await of.selectOption('Spacers');
  await expect(changes).toContainText('It changes nothing.');
  await of.selectOption('Brackets');
  await changes.getByRole('button', { name: 'Bring in 1 new bracket and 1 new claim' }).click();
  await expect(page.getByText('In the library: 1 new bracket and 1 new claim.')).toBeVisible();

  await fitter.openPage('/parts/brk-kelpstone-plate-z-18', 'Kelpstone Plate Z 18');
  await expect(page.getByRole('main')).toContainText('17.78');
  const said = page.getByRole('region', { name: 'What others say' });
  await expect(said.getByLabel('Who says it')).toHaveValue('Hillfoot Stores’s list');
});
