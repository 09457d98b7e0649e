import type { Locator, Page } from '@playwright/test';
import { signInOf } from '../driver/signIns';
import { expect, looking, test } from '../driver/test';

// The browser logs who is not signed in, and a refused save, itself.
test.use({ allowedErrors: /status of 401|status of 409/ });

/** Presses Tab until the thing has the focus: it must be reachable, within a fair number of steps. */
async function tabTo(page: Page, target: Locator): Promise<void> {
  await expect(target).toBeVisible();
  for (let step = 0; step < 150; step++) {
    if (await target.evaluate((element) => element === document.activeElement)) return;
    await page.keyboard.press('Tab');
  }
  throw new Error('not reachable with Tab');
}

test('the whole job without a mouse', async ({ fitter }) => {
  const { page } = fitter;
  await fitter.openJobs();
  await tabTo(page, page.getByRole('link', { name: 'Corran Tern, HDS 4', exact: true }));
  await page.keyboard.press('Enter');
  await tabTo(page, page.getByRole('link', { name: 'Measure Front door, left' }));
  await page.keyboard.press('Enter');

  // Enter goes from reading to reading and then to the button.
  await tabTo(page, fitter.field('Hole diameter'));
  await page.keyboard.press('ControlOrMeta+A');
  await page.keyboard.type('148.2');
  await page.keyboard.press('Enter');
  await expect(fitter.field('Bolt circle')).toBeFocused();
  await page.keyboard.press('ControlOrMeta+A');
  await page.keyboard.type('166.1');
  await page.keyboard.press('Enter');
  await expect(fitter.field('Depth behind')).toBeFocused();
  await page.keyboard.type('58');
  await page.keyboard.press('Enter');
  await page.keyboard.type('24');
  // The depths at the rim and the glass's edge only make it surer; the others are left out here.
  await page.keyboard.press('Enter');
  await expect(fitter.field('Depth at the top')).toBeFocused();
  await page.keyboard.type('52.5');
  for (let left = 0; left < 5; left++) await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Save measurements' })).toBeFocused();
  // What stands behind is looked at too, or it stays open.
  const look = page.getByLabel('Beam, rail or wiring behind the hole');
  await tabTo(page, look);
  await page.keyboard.press('ArrowDown');
  await expect(look).toHaveValue('nothing');
  await tabTo(page, page.getByRole('button', { name: 'Save measurements' }));
  await page.keyboard.press('Enter');
  await fitter.saved();

  await tabTo(page, page.getByRole('link', { name: 'What fits here' }));
  await page.keyboard.press('Enter');
  const slim = fitter.ranked().filter({ hasText: 'Wrackline Shoal 65 Slim' });
  await tabTo(page, slim);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Wrackline Shoal 65 Slim', level: 2 })).toBeVisible();

  // The spacer by keys: half millimetres, and from stocked height to stocked height.
  await tabTo(page, fitter.slider());
  await page.keyboard.press('ArrowRight');
  await expect(fitter.slider()).toHaveAttribute('aria-valuetext', '0.5 mm, not in stock');
  await page.keyboard.press('PageUp');
  await expect(fitter.slider()).toHaveAttribute('aria-valuetext', '3 mm, stocked');
  await page.keyboard.press('PageDown');
  await expect(fitter.slider()).toHaveAttribute('aria-valuetext', 'no spacer');

  // The right door is not measured, so it is not chosen along with this one.
  await expect(page.getByRole('checkbox', { name: /Also for front door, right/ })).not.toBeChecked();
  await tabTo(page, page.getByRole('button', { name: 'Choose for front door, left' }));
  await page.keyboard.press('Enter');
  await tabTo(page, page.getByRole('region', { name: 'Choose' }).getByRole('link', { name: 'Order list' }));
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Order list: 3 lines from 1 supplier');
  await expect(page.getByRole('region', { name: 'Lines' })).toContainText('1 piece');
});

looking('the list of keys opens with ? and closes with Escape, but not while typing', async ({ fitter }) => {
  const { page } = fitter;
  await fitter.openJobs();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.getByRole('searchbox').press('?');
  await expect(page.getByRole('dialog')).toBeHidden();
});

test('signing in, changing person, undo and a conflict without a mouse', async ({ fitter }) => {
  const { page } = fitter;
  await page.context().clearCookies();
  await page.goto(fitter.address);
  await tabTo(page, page.getByLabel('Name', { exact: true }));
  await page.keyboard.type('Okke');
  await page.keyboard.press('Tab');
  await page.keyboard.type(signInOf('Okke').password);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Jobs', level: 1 })).toBeVisible();

  await tabTo(page, page.getByRole('button', { name: /^Okke\b.*Change person/ }));
  await page.keyboard.press('Enter');
  await tabTo(page, page.getByRole('button', { name: 'Rieke', exact: true }));
  await page.keyboard.press('Enter');
  // The digits come next: the field has the focus.
  await expect(page.getByLabel('PIN of Rieke')).toBeFocused();
  await page.keyboard.type(signInOf('Rieke').pin);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Rieke\b.*Change person/ })).toBeVisible();

  await fitter.measure('Corran Tern, HDS 4', 'Front door, left');
  const path = `${fitter.address}/api/openings/${page.url().split('/').at(-1)}`;
  const { version, record } = await (await page.request.get(path)).json();
  await fitter.type('Front gap', '31');
  const frontGap = { readingsMm: [29], source: 'depthStick', entered: '29', takenBy: 'Rieke', takenAt: null };
  const changed = { ...record, dimensions: { ...record.dimensions, frontGap } };
  await page.request.put(path, { data: { version, record: changed }, headers: await fitter.asWhoIsHere() });
  await tabTo(page, page.getByRole('button', { name: 'Save measurements' }));
  await page.keyboard.press('Enter');
  const conflict = page.getByRole('alert', { name: 'Changed by somebody else' });
  await tabTo(page, conflict.getByRole('radio').first());
  await page.keyboard.press('Space');
  await tabTo(page, conflict.getByRole('button', { name: 'Save what is picked' }));
  await page.keyboard.press('Enter');
  await expect(conflict).toBeHidden();
  await fitter.saved();

  await fitter.openPage('/history', 'History');
  await tabTo(page, page.getByRole('button', { name: 'Undo it' }));
  await page.keyboard.press('Enter');
  await expect(page.locator('ol[aria-label="Changes"] > li').first()).toContainText(
    'by undo, measured Front door, left',
  );
});
