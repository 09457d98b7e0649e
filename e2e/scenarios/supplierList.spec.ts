/** A supplier's list with speakers in it: what is good comes in, what is doubted says why, and is on hold until somebody measures it. */
import { readFile } from 'node:fs/promises';
import { ABOVE, dirtyList } from '@low-quarry/core/testing/dirtyList';
import { dirtySpeakers } from '@low-quarry/core/testing/dirtySpeakers';
import { toXlsx } from '../driver/spreadsheet';
import { expect, test } from '../driver/test';

const JOB = 'Corran Tern, HDS 4';
const DOOR = 'Front door, left';
const DEPTH = 8;
const ROWS = 240;

/** A list without a slip, but for one 6.5 in speaker whose depth stands in centimetres. @returns it, its name and its depth in mm */
function listWithSlip() {
  const dirty = dirtySpeakers({ rows: ROWS, slips: 0, seed: 6 });
  const at = dirty.rows.findIndex(
    ({ nominalSize, figures }) =>
      nominalSize === '6.5 in' &&
      'flangeThickness' in figures &&
      'frontHeight' in figures &&
      'magnet' in figures &&
      'mass' in figures,
  );
  const rows = dirtyList(dirty, 7);
  const depthMm = dirty.rows[at]?.figures.depth as number;
  const row = rows[at] as string[];
  row[DEPTH] = String(depthMm / 10).replace('.', ',');
  return { file: toXlsx([...ABOVE, ...rows]), line: ABOVE.length + at + 1, name: `${row[1]} ${row[2]}`, depthMm };
}

test('speakers come in; the one with the misread depth is on hold until it is measured', async ({ fitter }) => {
  const { page } = fitter;
  const { file, line, name, depthMm } = listWithSlip();
  await fitter.openPage('/supplier-list', 'A supplier’s list');
  await page.getByLabel('Supplier', { exact: true }).fill('Hillfoot Stores');
  await page.getByLabel('Supplier', { exact: true }).blur();
  await page
    .getByLabel('List: XLSX, ODS or CSV')
    .setInputFiles({ name: 'speakers.xlsx', mimeType: 'application/octet-stream', buffer: file });
  const changes = page.getByRole('region', { name: 'What it changes' });
  await expect(page.getByText(`${ROWS + ABOVE.length} rows, read as XLSX, sheet “list.csv”`)).toBeVisible();
  await expect(changes).toContainText(`It has ${ROWS - 1} new speakers.`);
  await expect(changes).toContainText('1 row stays out, by the findings below.');
  await expect(page.getByLabel(/^Column I/)).toHaveValue('depth');
  await expect(page.getByLabel('Bare numbers of column I in')).toHaveValue('mm');
  const findings = page.getByRole('region', { name: 'Findings' });
  await expect(findings).toContainText(
    new RegExp(`Doubtful, row ${line}, column I: Mounting depth .* likely that it is in centimetres: ${depthMm} mm`),
  );

  await changes.getByLabel(/^Bring in what has a doubted figure too \(1\)/).check();
  await expect(changes).toContainText(`It has ${ROWS} new speakers.`);
  await changes.getByRole('button', { name: `Bring in ${ROWS} new speakers` }).click();
  await expect(page.getByText(`In the library: ${ROWS} new speakers.`)).toBeVisible();

  await fitter.openPage('/parts?open=doubted', 'Parts');
  await page.getByRole('link', { name }).click();
  await expect(page.getByRole('heading', { name, level: 1 })).toBeVisible();
  const doubted = page.getByRole('region', { name: 'Mounting depth is doubted' });
  await expect(doubted).toContainText('likely that it is in centimetres');
  const id = new URL(page.url()).pathname.split('/').at(-1) as string;

  // Whatever its margins are, nobody orders it.
  await fitter.whatFits(JOB, DOOR);
  await page.goto(`${page.url().split('?')[0]}?speaker=${id}`);
  await expect(page.getByRole('region', { name: 'The candidate' })).toContainText(name);
  await expect(fitter.verdict().first()).toHaveAttribute('data-verdict', /hold|hits/);
  await expect(fitter.check('Figures')).toContainText(`A figure of ${name} is doubted.`);

  await fitter.openPage(`/parts/${id}`, name);
  await doubted.getByLabel('It really is, mm').fill('deep');
  await doubted.getByRole('button', { name: 'Settle the mounting depth' }).click();
  await expect(doubted).toContainText(`“deep” was read. What it really is, such as ${depthMm}, would do.`);
  await expect(doubted).toContainText('Type at least 8 characters.');
  await doubted.getByLabel('It really is, mm').fill(String(depthMm));
  await doubted.getByLabel('What was seen').fill('Calliper, three pieces');
  await doubted.getByRole('button', { name: 'Settle the mounting depth' }).click();
  await expect(page.getByRole('list', { name: 'Settled doubts' })).toContainText(
    `Mounting depth ${depthMm} mm was doubted. A piece was measured in hand: “Calliper, three pieces”, Okke`,
  );
  await expect(doubted).toHaveCount(0);
  await fitter.openPage('/parts?open=doubted', 'Parts');
  await expect(page.getByText('There is none.')).toBeVisible();

  // What came in earlier, or was typed, is looked through as well; what was settled is not asked about again.
  await page.getByRole('link', { name: 'Parts', exact: true }).first().click();
  await page.getByRole('link', { name: 'Doubtful figures' }).click();
  await page.getByRole('button', { name: 'Look through all figures' }).click();
  const what = page.getByRole('region', { name: 'What is doubted' });
  await expect(what.getByRole('heading')).toContainText(/\d+ doubted of \d\d\d speakers/);
  await expect(what.getByRole('link', { name })).toHaveCount(0);
  await fitter.whatFits(JOB, DOOR);
  await page.goto(`${page.url().split('?')[0]}?speaker=${id}`);
  await expect(fitter.check('Figures')).toContainText('The figures of opening and parts agree with each other.');

  // Beside one of the shop's own, each figure with what it is more or less; and out for whoever works in a spreadsheet.
  await fitter.openPage(`/parts/${id}`, name);
  await page.getByRole('link', { name: 'Compare', exact: true }).click();
  await page.getByRole('searchbox', { name: 'Add a speaker' }).fill('fendrel 65 shallow');
  await page.getByRole('button', { name: 'Dunmarrow Fendrel 65 Shallow' }).click();
  const values = page.getByRole('region', { name: 'Values side by side' });
  await expect(values.getByRole('row', { name: /^Mounting depth, mm/ })).toContainText('43.5');
  await page.reload();
  await expect(values.getByRole('columnheader')).toHaveCount(5);
  await page.getByRole('button', { name: `Take ${name} away` }).click();
  await expect(values.getByRole('row', { name: 'Mounting depth, mm 43.5' })).toBeVisible();
  await expect(page).toHaveURL(/compare\?part=spk-dunmarrow-fendrel-65-shallow$/);
  await fitter.openPage(`/parts?find=${encodeURIComponent(name)}`, 'Parts');
  const coming = page.waitForEvent('download');
  await page.getByRole('link', { name: 'CSV' }).click();
  const out = await coming;
  expect(out.suggestedFilename()).toBe('parts.csv');
  expect(await readFile(await out.path(), 'utf8')).toContain(`,${depthMm},`);

  // The other way round: it, in every opening of the library and of the open jobs.
  await fitter.openPage(`/parts/${id}`, name);
  await page.getByRole('link', { name: 'Where it fits' }).click();
  await expect(page.getByRole('heading', { name: `Where ${name} fits`, level: 1 })).toBeVisible();
  await expect(
    page.getByText(/it clears \d+, is to be measured at \d+, is on hold at \d+, and hits at \d+\./),
  ).toBeVisible();

  // And which few would serve most of the cars that came.
  await page.getByRole('link', { name: 'Parts', exact: true }).first().click();
  await page.getByRole('link', { name: 'What to keep in stock' }).click();
  await page.getByLabel('A speaker serves an opening').selectOption('measure');
  await expect(
    page.getByText(/^\d+ of \d{3} speakers serve \d+ of \d+ openings; all \d{3} would serve \d+\.$/),
  ).toBeVisible();
  await expect(page.getByRole('list', { name: 'Speakers to keep' }).getByRole('listitem').first()).toContainText(
    /adds \d+/,
  );
});
