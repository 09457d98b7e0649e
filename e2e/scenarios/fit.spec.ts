import { expect, looking, test } from '../driver/test';

const JOB = 'Corran Tern, HDS 3';
const DOOR = 'Front door, left';

looking('moving the spacer moves drawing, ledger and verdict together', async ({ fitter }) => {
  const { page } = fitter;
  await fitter.whatFits(JOB, DOOR);
  await fitter.pick('Wrackline Shoal 65');
  const section = page.getByRole('group', { name: /^Section/ });
  await fitter.slider().focus();
  await page.keyboard.press('Home');
  await expect(fitter.verdict()).toHaveText(/^Hits at the glass: 10\.\d mm ± \d\.\d too little$/);
  await expect(fitter.check('Glass')).toContainText('−10.');
  await expect(section).toContainText('−10.');
  await expect(
    page.getByText('The magnet would stand 5.4 mm into the glass at the top; the shop asks 5 mm of air.').first(),
  ).toBeVisible();

  await page.keyboard.press('PageUp');
  await page.keyboard.press('PageUp');
  await page.keyboard.press('PageUp');
  await expect(fitter.slider()).toHaveAttribute('aria-valuetext', '6 mm, stocked');
  await expect(fitter.check('Glass')).toContainText('−4.');
  await expect(section).toContainText('−4.');
  await expect(fitter.check('Front')).toContainText('−4.0');
  await expect(section).toContainText('−4.0');
  await expect(fitter.verdict()).toContainText('Hits at the glass: 4.');
});

looking('a ring nobody stocks can be looked at but not chosen', async ({ fitter }) => {
  const { page } = fitter;
  await fitter.whatFits(JOB, DOOR);
  await fitter.pick('Wrackline Shoal 65 Slim');
  await fitter.slider().focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText('what if: not in stock')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Choose for/ })).toBeDisabled();
});

looking('why not: how many fall out where, and every check of one of them', async ({ fitter }) => {
  const { page } = fitter;
  await fitter.whatFits(JOB, DOOR);
  await expect(fitter.rankedCount(60)).toBeVisible();
  await page.getByText(/Why not the other/).click();
  const reason = page.getByRole('button', { name: /at the glass/ });
  const count = Number(/\d+/.exec((await reason.textContent()) ?? '')?.[0]);
  await reason.click();
  await expect(fitter.rankedCount(count)).toBeVisible();
  expect(page.url()).toContain('show=not-depth');
  await page.reload();
  await expect(fitter.rankedCount(count)).toBeVisible();
  await fitter.ranked().first().click();
  await expect(page.getByRole('region', { name: 'Checks' }).getByRole('listitem')).toHaveCount(14);
});

looking('a check opens to what went into its number', async ({ fitter }) => {
  await fitter.whatFits(JOB, DOOR);
  await fitter.pick('Wrackline Shoal 65 Slim');
  const glass = fitter.check('Glass');
  await glass.locator('summary').click();
  await expect(glass.getByRole('table')).toContainText('Mounting depth');
  await expect(glass).toContainText('46 mm');
  await expect(glass).toContainText('× -1.00');
  await expect(glass).toContainText('JCGM 100:2008');
});

test('an open question names the one thing to measure, and measuring it settles it', async ({ fitter }) => {
  const { page } = fitter;
  const job = 'Ostrand Longshore, PILOT 1';
  await fitter.whatFits(job, DOOR);
  await fitter.pick('Wrackline Shoal 68');
  await expect(fitter.verdict()).toContainText('Measure first');
  await expect(
    page.getByText(/Measure the .* with the depth stick: \d+ of \d+ open candidates (is|are) settled/),
  ).toBeVisible();
  await page.getByRole('link', { name: 'Measurements' }).click();
  await fitter.type('Depth behind', '72');
  await fitter.save();
  await fitter.saved();
  await page.getByRole('link', { name: 'What fits here' }).click();
  await fitter.pick('Wrackline Shoal 68');
  await expect(fitter.verdict()).toContainText('Clears by');
});

test.describe('what does not clear', () => {
  test('is chosen and held back until each open check has its reason, which then stands on the list', async ({
    fitter,
  }) => {
    const { page } = fitter;
    await fitter.whatFits(JOB, DOOR);
    await fitter.pick('Wrackline Shoal 65');
    const choosing = page.getByRole('region', { name: 'Choose' });
    const why = choosing.getByLabel('Why it is ordered all the same');
    const count = await why.count();
    expect(count).toBeGreaterThan(0);
    await why.first().fill('short');
    await fitter.choose();
    await expect(choosing.getByText('Type at least 8 characters.')).toBeVisible();
    await why.first().fill('Customer has the card cut out');
    await expect(choosing.getByText(/stays? open: it can be chosen/)).toHaveCount(count > 1 ? 1 : 0);
    for (let at = 1; at < count; at++) await why.nth(at).fill('Customer has the frame filed');
    await fitter.choose();
    await expect(page.getByText('Wrackline Shoal 65 is chosen here.')).toBeVisible();
    // A reason is the shop's; what it gives up is agreed to by whose car it is.
    await fitter.orderList(JOB);
    await expect(page.getByRole('region', { name: 'Held back' })).toContainText(
      'Nobody agreed to it in writing: leaving a grille off, or giving up a pocket of the door.',
    );
    await page.getByRole('link', { name: /^Book in/ }).click();
    await page.getByLabel('Leaving a grille off').fill('The school, by letter');
    await page.getByRole('button', { name: 'Save what was asked' }).click();
    await expect(page.getByRole('heading', { name: JOB, level: 1 })).toBeVisible();
    await fitter.orderList(JOB);
    await expect(page.getByRole('region', { name: 'On the list' })).toContainText(
      'Answered: “Customer has the card cut out”, Okke.',
    );
  });

  test('a warning sound holds whatever is chosen for the dash, until the owner says what is done', async ({
    fitter,
  }) => {
    const { page } = fitter;
    const job = 'Brackwell Ferryman, FERRY 16';
    await fitter.whatFits(job, 'Dash centre');
    const open = page.getByRole('region', { name: 'Open for this opening' });
    await expect(open).toContainText('They must go on working');
    // Said once; the candidates still tell themselves apart.
    await expect(fitter.verdict()).not.toContainText('chime');
    await expect(fitter.check('Chime')).toContainText('They must go on working');
    await expect(page.getByRole('complementary', { name: 'Cautions' })).toContainText(
      'Warning sounds must not be lost.',
    );
    const choosing = page.getByRole('region', { name: 'Choose' });
    await fitter.choose();
    await expect(page.getByText(/is chosen here\./)).toBeVisible();
    await fitter.orderList(job);
    await expect(page.getByRole('region', { name: 'Held back' })).toContainText(
      'No reason lifts this hold, only what is done about it',
    );
    await expect(page.getByRole('region', { name: 'On the list' })).not.toContainText('Dash centre');

    await fitter.whatFits(job, 'Dash centre');
    await choosing.getByLabel('The factory sounder stays connected to what feeds it and is heard').check();
    await choosing
      .getByLabel('Where it is fixed, and which warnings were heard')
      .fill('Under the dash, belt chime heard');
    await fitter.choose();
    await expect(choosing.getByText('Who gave leave, and how.', { exact: true }).last()).toBeVisible();
    await choosing.getByLabel('Leave of the vehicle’s owner').fill('The club, by letter');
    for (const field of await choosing.getByLabel('Why it is ordered all the same').all())
      await field.fill('The dash is cut open');
    await fitter.choose();
    await expect(choosing.getByText('Answered by Okke.').first()).toBeVisible();
    await fitter.orderList(job);
    await expect(page.getByRole('region', { name: 'On the list' })).toContainText('Hold for the chime.');
    await expect(page.getByRole('region', { name: 'On the list' })).toContainText(
      'Under the dash, belt chime heard”; leave of the vehicle’s owner: The club, by letter, Okke.',
    );
  });

  looking('a door without wires is held, and says what it takes', async ({ fitter }) => {
    const { page } = fitter;
    await fitter.whatFits('Tarnhill Packhorse, HIVE 2', 'Rear door, left');
    await expect(page.getByRole('region', { name: 'Open for this opening' })).toContainText('new wire has to be run');
    await expect(fitter.check('Connector')).toContainText('new wire has to be run');
    await page.getByRole('region', { name: 'Choose' }).getByLabel('New wire is run to this opening').first().check();
    await expect(page.getByLabel('From where, and through which boot').first()).toBeVisible();
  });

  test('what nobody looked for is open above the list until somebody looks', async ({ fitter }) => {
    const { page } = fitter;
    await fitter.whatFits('Corran Tern, HDS 3', 'Rear door, left');
    const open = page.getByRole('region', { name: 'Open for this opening' });
    await expect(open).toContainText('Nobody has looked behind this opening for a beam, a rail or wiring');
    await expect(fitter.check('Beam, rail, wiring')).toContainText('Not looked');
    await open.getByRole('link', { name: 'Look and note it' }).click();
    await page.getByLabel('Beam, rail or wiring behind the hole').selectOption('Looked: nothing there');
    await fitter.save();
    await fitter.saved();
    await page.getByRole('link', { name: 'What fits here' }).click();
    await expect(fitter.check('Beam, rail, wiring')).toContainText('Somebody looked behind this opening');
    await expect(open.getByText('Nobody has looked behind')).toHaveCount(0);
  });

  test('a choice that stops clearing when the door is measured again is held back', async ({ fitter }) => {
    const { page } = fitter;
    await fitter.measure('Brackwell Ferryman, FERRY 16', 'Front door, left');
    await fitter.type('Depth behind', '44');
    await fitter.type('Depth at the top', '40');
    await fitter.save();
    await fitter.saved();
    await fitter.orderList('Brackwell Ferryman, FERRY 16');
    await expect(page.getByRole('region', { name: 'Held back' })).toContainText(
      'It cleared when it was chosen and does not any more.',
    );
  });
});

test.describe('addresses that lead nowhere', () => {
  test.use({ allowedErrors: /status of 404/ });

  looking('each says so, and leads back', async ({ fitter, shop }) => {
    for (const path of [
      '/jobs/00000000-0000-4000-8000-ffffffffffff',
      '/jobs/nonsense',
      '/nowhere',
      '/jobs/nonsense/openings/x/fit',
    ]) {
      await fitter.page.goto(shop.url + path);
      await expect(fitter.page.getByRole('alert')).toContainText('There is no such page');
      await fitter.page.getByRole('link', { name: 'All jobs' }).click();
      await expect(fitter.page.getByRole('heading', { name: 'Jobs', level: 1 })).toBeVisible();
    }
  });
});

test('settings that cannot be read judge nothing on any screen, until the owner saves what stands there', async ({
  fitter,
  shop,
}) => {
  const { page } = fitter;
  await shop.inDatabase((client) =>
    client.query(`UPDATE "shop" SET "settings" = jsonb_set("settings", '{confidence}', '7')`),
  );
  await fitter.openJob('Corran Tern, HDS 3');
  await page.getByRole('link', { name: 'What fits Front door, left' }).click();
  await expect(page.getByText('Nothing is judged until the owner has set them right')).toBeVisible();
  await expect(fitter.verdict()).toHaveCount(0);
  await fitter.openPage('/settings', 'Settings');
  await page.getByRole('button', { name: 'Save what stands here' }).click();
  await expect(page.getByText('Saved in the shop.')).toBeVisible();
  await fitter.whatFits('Corran Tern, HDS 3', 'Front door, left');
  await expect(fitter.verdict()).not.toHaveCount(0);
});
