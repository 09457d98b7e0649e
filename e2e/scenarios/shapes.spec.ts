import type { Fitter } from '../driver/Fitter';
import { expect, looking as test } from '../driver/test';

const PILOT = 'Ostrand Longshore, PILOT 1';
const DOOR = 'Front door, left';

test('a leaning glass and a beam are drawn, the cut turns, and the window winds', async ({ fitter }) => {
  const { page } = fitter;
  await fitter.whatFits(PILOT, DOOR);
  await fitter.pick('Wrackline Shoal 68');
  const section = page.getByRole('group', { name: /^Section/ });
  await expect(section).toContainText('crash beam');
  await expect(page.getByText('Section upright, cabin on the left')).toBeVisible();
  const cut = page.getByRole('slider', { name: /^Cut at/ });
  await cut.focus();
  await page.keyboard.press('Home');
  await expect(page.getByText('Section level, cabin on the left')).toBeVisible();
  await page.getByRole('button', { name: 'At the gap' }).click();
  await expect(page.getByText('Section upright, cabin on the left')).toBeVisible();
  const window = page.getByRole('slider', { name: /^Window/ });
  await window.focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText('Window 10 mm up')).toBeVisible();
  await expect(fitter.check('Beam, rail, wiring')).toContainText('off the crash beam');
});

test('moving the glass on the drawing is a what-if: everything follows, nothing is saved, nothing can be chosen', async ({
  fitter,
}) => {
  const { page } = fitter;
  await fitter.whatFits(PILOT, DOOR);
  await fitter.pick('Wrackline Shoal 68');
  await expect(fitter.verdict()).toContainText('Measure first');
  const grip = page.getByRole('slider', { name: 'What if the depth behind were' });
  await grip.focus();
  for (let step = 0; step < 30; step++) await page.keyboard.press('ArrowRight');
  await expect(grip).toHaveAttribute('aria-valuetext', '81 mm, what if');
  await expect(page.getByText('What if: depth behind 81 mm instead of 66 mm. Nothing of it is saved.')).toBeVisible();
  await expect(fitter.check('Glass')).toContainText('± 3.');
  await expect(page.getByRole('button', { name: /^Choose for/ })).toBeDisabled();
  const box = await grip.boundingBox();
  if (!box) throw new Error('expected the grip on the screen');
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 - 60, box.y + box.height / 2, { steps: 4 });
  await page.mouse.up();
  await expect(grip).not.toHaveAttribute('aria-valuetext', '81 mm, what if');
  await page.reload();
  await expect(page.getByText('What if:')).toBeHidden();
  await expect(fitter.verdict()).toContainText('Measure first');
});

/** Whoever opens the address sees the same, and so does who loads it again. @returns how many are listed */
async function sameAtItsAddress(fitter: Fitter): Promise<number> {
  const { page } = fitter;
  const other = await page.context().newPage();
  await other.goto(page.url());
  const theirs = other.getByRole('list', { name: 'Ranked speakers' });
  await expect(theirs).toBeVisible();
  const count = Number(await theirs.getAttribute('data-count'));
  await other.close();
  expect(count).toBeGreaterThan(0);
  await expect(fitter.rankedCount(count)).toBeVisible();
  await page.reload();
  await expect(fitter.rankedCount(count)).toBeVisible();
  return count;
}

test('the list filters by size, maker, kind and price, and the address keeps it', async ({ fitter }) => {
  const { page } = fitter;
  await fitter.whatFits(PILOT, DOOR);
  await expect(fitter.rankedCount(60)).toBeVisible();
  await page.getByLabel('Size').selectOption('6.5 in');
  await page.getByLabel('Price up to').pressSequentially('60.5');
  await expect(page).toHaveURL(/size=6\.5\+in.*most=60\.5/);
  const bySizeAndPrice = await sameAtItsAddress(fitter);
  expect(bySizeAndPrice).toBeLessThan(60);
  await page.getByLabel('Maker').selectOption('Skerrivar');
  await page.getByLabel('Kind').selectOption('coaxial');
  await expect(page).toHaveURL(/maker=Skerrivar.*kind=coaxial/);
  expect(await sameAtItsAddress(fitter)).toBeLessThan(bySizeAndPrice);
});

test('two candidates laid over each other, with their differences as numbers; and the view in space', async ({
  fitter,
}) => {
  const { page } = fitter;
  await fitter.whatFits(PILOT, DOOR);
  await fitter.pick('Wrackline Shoal 68');
  await fitter.pickOf('Lay another one over it', 'Wrackline Shoal 65 Slim');
  const table = page.getByRole('table', { name: /Differences in mm/ });
  // 90 against 78 mm of magnet
  await expect(table.getByRole('row', { name: /^Magnet/ })).toContainText('−12.0');
  expect(page.url()).toContain('over=spk-wrackline-shoal-65-slim');
  await page.getByText('Show it in space').click();
  await expect(page.getByRole('img', { name: /^View in space/ }).locator('canvas')).toBeVisible();
});

test('what would make it clear can be pressed, and then it clears', async ({ fitter }) => {
  const { page } = fitter;
  await fitter.whatFits(PILOT, DOOR);
  await fitter.pick('Wrackline Shoal 68');
  await expect(page.getByRole('region', { name: 'What next' })).toContainText('What would make it clear');
  await page
    .getByRole('button', { name: /^Smaller size:/ })
    .first()
    .click();
  await expect(fitter.verdict()).toContainText('Clears by');
});

test.describe('will this one fit?', () => {
  test('a speaker of the catalogue, without a job', async ({ fitter }) => {
    const { page } = fitter;
    await fitter.openJobs();
    await page.getByRole('link', { name: 'Will this one fit?' }).click();
    await fitter.pickOf('Vehicle and trim', 'Ostrand Longshore, 2016 to 2022, Premium');
    await page.getByLabel('Opening').selectOption({ label: 'Front door, left' });
    await fitter.pickOf('Speaker', 'Wrackline Shoal 65 Slim, 6.5 in');
    await expect(fitter.verdict()).toContainText('Clears by');
    await page.reload();
    await expect(fitter.verdict()).toContainText('Clears by');
  });

  test('one that lies on the counter, typed in by hand, with a slip answered at its field', async ({ fitter }) => {
    const { page } = fitter;
    await page.goto(`${fitter.address}/will-it-fit?vehicle=veh-ostrand-longshore&speaker=by-hand`);
    await page.getByLabel('Cutout').fill('127');
    await page.getByLabel('Mounting depth').fill('deep');
    await page.getByLabel('Magnet diameter').fill('80');
    await page.getByLabel('Bolt circle').fill('156');
    await expect(page.getByText(/Mounting depth: "deep"/)).toBeVisible();
    await page.getByLabel('Mounting depth').fill('1 3/4"');
    await expect(fitter.verdict()).toContainText('Clears by');
    await page.getByLabel('Mounting depth').fill('110');
    await expect(fitter.verdict()).toContainText('Hits at the glass');
  });
});

test('the speakers by two lengths, with the limits of the opening; a point is pressed, and its part opens', async ({
  fitter,
}) => {
  const { page } = fitter;
  await fitter.whatFits('Corran Tern, HDS 3', 'Front door, left');
  await page.getByRole('link', { name: 'By two lengths' }).click();
  await expect(
    page.getByText(/^Dashed, without bracket or ring: cutout up to [\d.]+ mm, mounting depth up to/),
  ).toBeVisible();
  await expect(page.getByRole('img', { name: '60 speakers by cutout and mounting depth' })).toBeVisible();
  const list = page.getByRole('region', { name: 'As a list' });
  const within = await list.getByRole('listitem').count();
  expect(within).toBeGreaterThan(0);
  expect(within).toBeLessThan(60);
  await page.getByLabel('Upwards').selectOption('Magnet');
  await expect(page.getByRole('img', { name: '60 speakers by cutout and magnet' })).toBeVisible();

  await page.getByLabel('Find', { exact: true }).fill('Shoal 65 Slim');
  const plot = page.getByRole('img', { name: '1 speaker by cutout and magnet' });
  await expect(plot).toBeVisible();
  await page.goto(page.url().replace(/job=[^&]*&opening=[^&]*&?/, ''));
  await expect(plot).toBeVisible();
  await expect(page).toHaveURL(/find=Shoal\+65\+Slim/);
  // The only point lies about the middle of what the axes leave: by the mouse alone, which waits for nothing that has gone.
  await plot.scrollIntoViewIfNeeded();
  const { x: left = 0, y: top = 0, width = 0, height = 0 } = (await plot.boundingBox()) ?? {};
  for (let at = 0; at < 300 && new URL(page.url()).pathname === '/plot'; at++) {
    await page.mouse.click(left + width / 2 + ((at % 20) - 6) * 8, top + height / 2 + (Math.floor(at / 20) - 10) * 8);
    await page.evaluate(() => new Promise((resolve) => requestAnimationFrame(resolve)));
  }
  await expect(page.getByRole('heading', { name: 'Wrackline Shoal 65 Slim', level: 1 })).toBeVisible();
});
