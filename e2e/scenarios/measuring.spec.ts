import { Fitter } from '../driver/Fitter';
import { expect, test, watchConsole } from '../driver/test';

const JOB = 'Corran Tern, HDS 4';
const DOOR = 'Front door, left';
const REFUSED = /Failed to load resource.*(409|422|400)/;

test('nonsense is answered at the field, and nothing typed is lost', async ({ fitter }) => {
  await fitter.measure(JOB, DOOR);
  await fitter.type('Front gap', '24');
  for (const [text, says] of [
    ['abc', '"abc" was not understood'],
    ['-5', '−5 mm was read; expected 8 mm to 400 mm.'],
    ['900', '900 mm was read; expected 8 mm to 400 mm.'],
    ['60 furlongs', 'mm, cm, in and " are'],
    ['2 3/8 mm', 'fractions are read as inches only'],
    ['3/0', 'cannot have 0 below the line'],
    ['58; x; 60', '"x" was not understood'],
  ] as const) {
    await fitter.type('Depth behind', text);
    await fitter.field('Front gap').focus();
    await expect(fitter.entry('Depth behind')).toContainText(says);
    await fitter.save();
    await expect(fitter.page.getByText('Not saved: one field cannot be read')).toBeVisible();
    await expect(fitter.field('Depth behind')).toBeFocused();
    await expect(fitter.field('Depth behind')).toHaveValue(text);
    await expect(fitter.field('Front gap')).toHaveValue('24');
  }
});

test('a reading keeps the unit that was set when it was typed', async ({ fitter }) => {
  const { page } = fitter;
  await fitter.measure(JOB, DOOR);
  await fitter.type('Depth behind', '58');
  await page.getByRole('button', { name: /Lengths in mm/ }).click();
  await expect(fitter.entry('Depth behind')).toContainText('58 mm');
  await fitter.type('Front gap', '1');
  await expect(fitter.entry('Front gap')).toContainText('25.4 mm');
});

test('where a number comes from is marked, and an estimate says how unsure it is', async ({ fitter }) => {
  await fitter.measure(JOB, DOOR);
  await expect(fitter.entry('Hole diameter')).toContainText('carried over');
  await expect(fitter.entry('Hole diameter')).toContainText('148 mm ± 3.2');
  await fitter.type('Hole diameter', '148.2');
  await expect(fitter.entry('Hole diameter')).toContainText('taken here');
  await expect(fitter.entry('Hole diameter')).toContainText('148.2 mm ± 0.3');
});

test('read from the old mount, the sums are the program’s, and the verdict is that of the metal', async ({
  fitter,
}) => {
  const { page } = fitter;
  await fitter.measure(JOB, DOOR);
  await page.getByLabel('In front of the metal while measuring').selectOption('The old mount');
  const mount = page.getByLabel('The old mount to the metal, mm');
  await mount.fill('7');
  await page.getByLabel('The old mount to the metal, taken with').selectOption('Calliper');
  await fitter.type('Depth behind', '70');
  await fitter.type('Front gap', '15');
  await expect(fitter.entry('Depth behind')).toContainText('from the metal: 63 mm');
  await expect(fitter.entry('Front gap')).toContainText('from the metal: 22 mm');
  await page.getByLabel('Front gap, read from').selectOption('The metal');
  await expect(fitter.entry('Front gap')).toContainText('15 mm ±');
  await fitter.save();
  await fitter.saved();
  await page.getByRole('link', { name: 'What fits here' }).click();
  await expect(page.getByText('Against the old mount, 7 mm in front of the metal')).toBeVisible();
  await page.getByRole('link', { name: 'Measurements' }).click();
  await page.reload();
  await expect(fitter.entry('Depth behind')).toContainText('from the metal: 63 mm');
  // Taken away while something is still read from it: refused, and said where.
  await page.getByLabel('In front of the metal while measuring').selectOption('Nothing: read from the metal');
  await fitter.save();
  await expect(page.getByText('say how far that stands in front of the metal')).toBeVisible();
  await expect(fitter.field('Depth behind')).toHaveValue('70');
});

test('what was typed survives a reload, and can be dropped', async ({ fitter }) => {
  const { page } = fitter;
  await fitter.measure(JOB, DOOR);
  await fitter.type('Depth behind', '61; 60.5');
  await expect(page.getByText('Kept on this device, not in the shop yet.')).toBeVisible();
  await page.reload();
  await expect(page.getByText('What was typed on this device and not saved is back.')).toBeVisible();
  await expect(fitter.field('Depth behind')).toHaveValue('61; 60.5');
  await page.getByRole('button', { name: 'Drop it' }).click();
  await expect(fitter.field('Depth behind')).toHaveValue('');
});

test('saved, loaded anew at that very moment and typed on before the shop answers: it is typed on what was saved', async ({
  fitter,
}) => {
  const { page } = fitter;
  await fitter.measure(JOB, DOOR);
  await fitter.type('Depth behind', '61');
  await fitter.save();
  await fitter.saved();
  let answer = () => {};
  const answered = new Promise<void>((resolve) => {
    answer = resolve;
  });
  await page.route('**/api/openings/*', async (route) => {
    if (route.request().method() === 'GET') await answered;
    await route.continue();
  });
  await page.reload();
  await expect(fitter.field('Depth behind')).toHaveValue('61');
  await fitter.type('Depth behind', '62');
  answer();
  await fitter.save();
  await fitter.saved();
  await page.reload();
  await expect(fitter.field('Depth behind')).toHaveValue('62');
});

test('a slip that is put right is saved, and its message goes', async ({ fitter }) => {
  const { page } = fitter;
  await fitter.measure(JOB, DOOR);
  await fitter.type('Depth behind', '5 8');
  await fitter.save();
  await expect(page.getByText('Not saved: one field cannot be read')).toBeVisible();
  await fitter.type('Depth behind', '58');
  await expect(fitter.entry('Depth behind')).toContainText('58 mm ± 1.1');
  await expect(page.getByText('Not saved')).toBeHidden();
  await fitter.save();
  await fitter.saved();
});

test('while the code of further fields is on its way, a figure in one of them that could not be read keeps the record from being saved', async ({
  fitter,
}) => {
  const { page } = fitter;
  const thickness = page.getByLabel('Thickness of it');
  await fitter.measure(JOB, DOOR);
  await thickness.fill('1 2');
  await fitter.type('Depth behind', '58');
  await expect(page.getByText('Kept on this device, not in the shop yet.')).toBeVisible();
  let bring = () => {};
  const brought = new Promise<void>((resolve) => {
    bring = resolve;
  });
  await page.route(/AroundFields-/, async (route) => {
    await brought;
    await route.continue();
  });
  await page.reload();
  await expect(fitter.field('Depth behind')).toHaveValue('58');
  await expect(page.getByText('Loading what stands around it')).toBeVisible();
  await fitter.save();
  await expect(page.getByText('Not saved: one field cannot be read')).toBeVisible();
  bring();
  await expect(thickness).toHaveValue('1 2');
  await thickness.fill('1.2');
  await fitter.save();
  await fitter.saved();
});

test.describe('while the code of a part cannot be had', () => {
  test.use({ allowedErrors: /ERR_FAILED/ });

  test('what is typed beside it stays and is saved; the part comes once it can', async ({ fitter }) => {
    const { page } = fitter;
    let refused = 0;
    await page.route(/OpeningDrawing-/, (route) => (refused++ < 2 ? route.abort() : route.continue()));
    await fitter.measure(JOB, DOOR);
    await fitter.type('Depth behind', '58');
    await expect(page.getByText('Loading the drawing')).toBeVisible();
    await expect.poll(() => refused).toBeGreaterThan(1);
    await expect(page.getByText('Loading the drawing')).toBeHidden();
    await expect(fitter.field('Depth behind')).toHaveValue('58');
    await fitter.save();
    await fitter.saved();
  });
});

test('on a phone the next field comes out from under the bar with the button', async ({ fitter }) => {
  const { page } = fitter;
  await page.setViewportSize({ width: 390, height: 844 });
  await fitter.measure(JOB, DOOR);
  for (const label of ['Hole diameter', 'Bolt circle', 'Depth behind', 'Front gap']) {
    if (label === 'Hole diameter') await fitter.field(label).focus();
    else await page.keyboard.press('Enter');
    await expect(fitter.field(label)).toBeFocused();
    const field = await fitter.field(label).boundingBox();
    const button = await page.getByRole('button', { name: 'Save measurements' }).boundingBox();
    expect((field?.y ?? 0) + (field?.height ?? 0)).toBeLessThanOrEqual(button?.y ?? 0);
  }
});

test('leaving the screen while it is being saved leaves no draft behind', async ({ fitter }) => {
  const { page } = fitter;
  await fitter.measure(JOB, DOOR);
  await fitter.type('Depth behind', '58');
  let sendNow = () => {};
  const left = new Promise<void>((resolve) => {
    sendNow = resolve;
  });
  await page.route('**/api/openings/*', async (route) => {
    if (route.request().method() === 'PUT') await left;
    await route.continue();
  });
  const answered = page.waitForResponse((response) => response.request().method() === 'PUT');
  await fitter.save();
  await page.getByRole('link', { name: 'Jobs', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Jobs', level: 1 })).toBeVisible();
  sendNow();
  expect((await answered).status()).toBe(200);
  await fitter.measure(JOB, DOOR);
  await expect(fitter.field('Depth behind')).toHaveValue('58');
  await expect(page.getByText('What was typed on this device and not saved is back.')).toBeHidden();
});

test.describe('two tabs on one opening', { tag: '@plain' }, () => {
  test.use({ allowedErrors: REFUSED });

  for (const keep of ['mine', 'theirs'] as const) {
    test(`the second to save sees both versions and keeps ${keep}`, async ({ fitter, context }) => {
      const other = new Fitter(await context.newPage(), fitter.address);
      // Whichever tab has the turn sends for both.
      const errors = watchConsole(other.page, REFUSED);
      await fitter.measure(JOB, DOOR);
      // A tab of another person, on another device.
      await other.measure(JOB, DOOR);
      await other.type('Depth behind', '64');
      await fitter.type('Depth behind', '58');
      await fitter.type('Front gap', '24');
      await other.save();
      await other.saved();
      await fitter.save();
      const conflict = fitter.page.getByRole('alert', { name: 'Changed by somebody else' });
      await expect(conflict).toContainText('64 mm, depth stick');
      await expect(conflict).toContainText('58 mm, depth stick');
      await expect(fitter.field('Front gap')).toHaveValue('24');
      if (keep === 'mine') {
        await expect(conflict.getByRole('button', { name: 'Pick 1 more to save' })).toBeDisabled();
        await conflict.getByLabel(/^Mine/).check();
        await conflict.getByRole('button', { name: 'Save what is picked' }).click();
      } else await conflict.getByRole('button', { name: 'Take all of theirs, drop mine' }).click();
      await expect(conflict).toBeHidden();
      await fitter.page.reload();
      await expect(fitter.field('Depth behind')).toHaveValue(keep === 'mine' ? '58' : '64');
      expect(errors).toEqual([]);
    });
  }
});

test('carrying over from the other side says first what it would bring, and leaves the looks open', async ({
  fitter,
}) => {
  const { page } = fitter;
  await fitter.measure('Corran Tern, HDS 4', 'Front door, right');
  await fitter.type('Depth behind', '61');
  await fitter.save();
  await fitter.saved();
  await fitter.measure('Corran Tern, HDS 4', 'Front door, left');
  await page.getByRole('button', { name: /^Carry over from the front door, right/ }).click();
  const carry = page.getByRole('region', { name: 'Carry over' });
  await expect(carry).toContainText('Depth behind: 61 mm, carried over (now not taken)');
  await carry.getByRole('button', { name: 'Leave it' }).click();
  await expect(fitter.field('Depth behind')).toHaveValue('');
  await page.getByRole('button', { name: /^Carry over from the front door, right/ }).click();
  await carry.getByRole('button', { name: /^Carry \d+ over$/ }).click();
  await expect(fitter.field('Depth behind')).toHaveValue('61');
  await expect(page.getByLabel('Beam, rail or wiring behind the hole')).toHaveValue('notLooked');
});
