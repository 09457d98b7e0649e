import { readFileSync } from 'node:fs';
import { expect, test } from '../driver/test';

type Part = { readonly id: string; readonly kind: string; readonly name: string };
const PACK: { readonly parts: readonly Part[]; readonly connectors: readonly object[] } = JSON.parse(
  readFileSync('samples/formats/oval.parts.json', 'utf8'),
);
const JOB = 'Corran Tern, HDS 4';
const DOOR = 'Front door, left';

const file = (name: string, content: unknown) => ({
  name,
  mimeType: 'application/json',
  buffer: Buffer.from(typeof content === 'string' ? content : JSON.stringify(content)),
});

test('a parts pack comes in as one: said before, ranked at once on an open screen, one line of the history, taken back as one', async ({
  fitter,
  context,
}) => {
  const { page } = fitter;
  await fitter.whatFits(JOB, DOOR);
  const list = page.getByRole('list', { name: 'Ranked speakers' });
  const before = Number(await list.getAttribute('data-count'));
  const speakers = PACK.parts.filter(({ kind }) => kind === 'speaker').length;

  const library = await context.newPage();
  await library.goto(`${fitter.address}/parts`);
  const total = Number(
    /of ([\d,]+)/.exec((await library.getByRole('heading', { name: /^Parts, / }).textContent()) ?? '')?.[1],
  );
  await library.getByRole('button', { name: 'Bring in a parts pack' }).click();
  const picker = library.getByLabel('Parts pack, JSON');
  await picker.setInputFiles(file('list.txt', 'maker;name'));
  await expect(library.getByText('list.txt is not JSON. Pick a parts pack in the open format.')).toBeVisible();
  await picker.setInputFiles(file('broken.json', { ...PACK, parts: [{ ...PACK.parts[0], name: '' }] }));
  await expect(library.getByText('parts.0.name:')).toBeVisible();
  await picker.setInputFiles(file('oval.json', PACK));
  await library.getByRole('button', { name: new RegExp(`^Bring in ${PACK.parts.length} new parts`) }).click();
  await expect(library.getByText(`In the catalogue: ${PACK.parts.length} new parts`)).toBeVisible();
  await library.getByRole('status').getByRole('button', { name: 'Close' }).click();
  await expect(library.getByRole('heading', { name: /^Parts, / })).toContainText(`of ${total + PACK.parts.length}`);
  await expect(list).toHaveAttribute('data-count', String(before + speakers));

  // The same again is nothing new.
  await library.getByRole('button', { name: 'Bring in a parts pack' }).click();
  await picker.setInputFiles(file('oval.json', PACK));
  await expect(
    library.getByText(/^Nothing in it is new\. \d+ parts are here already, just like that\.$/),
  ).toBeVisible();
  await library.getByRole('button', { name: 'Close' }).click();

  await library.goto(`${fitter.address}/history?kind=partsImport`);
  await expect(library.getByRole('listitem').filter({ hasText: 'brought in oval.json' })).toContainText(
    `${PACK.parts.length} new parts, 0 changed`,
  );
  await library.getByRole('button', { name: /^Undo/ }).click();
  await expect(library.getByText('by undo, took back oval.json')).toBeVisible();
  await expect(list).toHaveAttribute('data-count', String(before));
});

test('a corrected part is judged by at once, also where it is shown on another screen', async ({ fitter, context }) => {
  const { page } = fitter;
  await fitter.whatFits('Ostrand Longshore, PILOT 1', DOOR);
  await page.getByRole('list', { name: 'Ranked speakers' }).getByRole('button').first().click();
  await expect(page).toHaveURL(/speaker=/);
  const verdict = await fitter.verdict().textContent();
  const id = new URL(page.url()).searchParams.get('speaker') ?? '';
  const library = await context.newPage();
  await library.goto(`${fitter.address}/parts/${id}`);
  const record = library.getByLabel('Record, JSON');
  const part = JSON.parse(await record.inputValue());
  await record.fill(JSON.stringify({ ...part, mountingDepthMm: part.mountingDepthMm + 3, profile: [], boxes: [] }));
  await library.getByRole('button', { name: 'Save the correction' }).click();
  await expect(fitter.verdict()).not.toHaveText(verdict ?? '');
});
