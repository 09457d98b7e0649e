/** Two tablets at one car, one of them away from the network, and the counter. */
import { pressStep } from '../driver/bay';
import { Fitter } from '../driver/Fitter';
import { expect, test } from '../driver/test';

test.use({ person: 'Rieke', allowedErrors: /ERR_|status of 409/ });

const JOB = 'Brackwell Ferryman, FERRY 16';

test('two tablets tick the same step, one of them away: nothing is lost, and what was found goes to the counter', async ({
  fitter,
  browser,
}) => {
  const { page } = fitter;
  const somebody = async (name: string) => {
    const { page: own } = await new Fitter(await (await browser.newContext()).newPage(), fitter.address).comeIn(name);
    return own;
  };
  await fitter.openJob(JOB);
  const job = page.url();
  await page.goto(`${job}/build/steps`);
  const title = page.getByRole('heading', { level: 1 });
  const done = page.getByRole('button', { name: 'Done' });
  await expect(title).toContainText('Windows up');
  await page.context().setOffline(true);
  // The space bar presses what has the focus; held down it presses once.
  await expect(done).toBeFocused();
  await pressStep(page, 'Space');
  await expect(title).toContainText('Negative clamp off');
  await page.getByRole('button', { name: 'Leave it out' }).click();
  await page.getByRole('button', { name: 'Leave it out for this reason' }).click();
  await expect(page.getByText('Type why it is left out.')).toBeVisible();
  await page.getByLabel('Why it is left out').fill('the clamp is seized');
  await page.keyboard.press('Enter');
  await expect(title).toContainText('Photograph it');

  const other = await somebody('Jory');
  await other.goto(`${job}/build/steps`);
  const theirs = other.getByRole('heading', { level: 1 });
  await expect(theirs).toContainText('Windows up');
  await pressStep(other);
  await expect(theirs).toContainText('Negative clamp off');
  await other.getByRole('button', { name: 'Found something else' }).click();
  await other.getByLabel('What you found').fill('A second battery under the seat');
  await other.getByRole('button', { name: 'Tell the counter' }).click();
  await expect(other.getByRole('button', { name: 'Found something else' })).toHaveAttribute('aria-expanded', 'false');

  await page.context().setOffline(false);
  await expect(page.getByText(/^2 of \d+ steps/)).toBeVisible();
  await page.getByRole('button', { name: 'Back' }).click();
  await expect(page.getByText('◇ Left out (Rieke): the clamp is seized.')).toBeVisible();
  await page.getByRole('button', { name: 'Back' }).click();
  await expect(page.getByText('✓ Done (Rieke and Jory).')).toBeVisible();
  // The other tablet hears of it: what is left out stays open, with the name and the reason.
  await expect(other.getByText('◇ Left out (Rieke): the clamp is seized.')).toBeVisible();

  // What has to be looked at by two is signed by the second one, signed in.
  const sounds = '/build/steps?at=warning%20sounds';
  await page.goto(`${job}${sounds}`);
  await expect(page.getByRole('button', { name: 'Never left out' })).toBeDisabled();
  await expect(page.getByText('Somebody else than you looks at it')).toBeHidden();
  await pressStep(page);
  await expect(page.getByText(/^3 of/)).toBeVisible();
  await page.goto(`${job}${sounds}`);
  await expect(page.getByText('Somebody else than you looks at it')).toBeVisible();
  await other.goto(`${job}${sounds}`);
  await expect(other.getByRole('button', { name: 'Looked at it too: sign as Jory' })).toBeFocused();
  await pressStep(other);
  await expect(page.getByText(/✓ Done \(Rieke\), looked at by Jory too/)).toBeVisible();

  const counter = await somebody('Merle');
  await counter.goto(job);
  await expect(counter.getByRole('link', { name: /^Next: Battery: A second battery under the seat/ })).toBeVisible();
  await counter.getByRole('button', { name: /^Show all/ }).click();
  await expect(counter.getByText('Rieke: the clamp is seized')).toBeVisible();
  await counter.goto(`${job}/build`);
  await counter.getByRole('button', { name: 'It is dealt with' }).click();
  await counter.getByLabel('What was done about it').fill('the plan begins with both');
  await counter.keyboard.press('Enter');
  await expect(counter.getByText(/✓ .*the plan begins with both \(Merle\)/)).toBeVisible();
  await counter.goto(`${job}/build/steps`);
  await expect(counter.getByText('You can look; ticking is for a fitter or the owner.')).toBeVisible();
  await expect(counter.getByRole('button', { name: 'Done' })).toBeDisabled();
});

test('a beam that nobody had seen goes into the record from the step, and what fits, the order and the counter follow', async ({
  fitter,
}) => {
  const { page } = fitter;
  await fitter.openJob('Ostrand Longshore, WARDEN 2');
  const job = page.url();
  await page.goto(`${job}/build/steps`);
  const title = page.getByRole('heading', { level: 1 });
  await expect(title).toBeVisible();
  const opening = await page.evaluate(async (id) => {
    const told = await (await fetch(`/api/jobs/${id}`)).json();
    return told.openings.find(
      ({ record }: { record: { place: string; side: string } }) =>
        record.place === 'frontDoorLow' && record.side === 'left',
    ).id;
  }, job.split('/').at(-1));
  await page.goto(`${job}/build/steps?at=${encodeURIComponent(`opening ${opening} in`)}`);
  await expect(title).toContainText('Dunmarrow Fendrel 68 in');
  await page.getByRole('button', { name: 'Found something else' }).click();
  await expect(page.getByText(/Front door, left: Dunmarrow Fendrel 68\. Clears by/)).toBeVisible();
  await page.getByRole('button', { name: 'Something stands behind it' }).click();
  const depth = page.getByLabel('Depth to it, mm');
  await depth.fill('deep');
  await page.getByRole('button', { name: 'Into its record' }).click();
  await expect(page.getByText(/"deep"/)).toBeVisible();
  await depth.fill('40');
  await depth.press('Enter');
  // The plan, the order and the counter follow from the record.
  await expect(page.getByText(/Hits at the beam, rail or wiring: .* too little\. Held back/)).toBeVisible();
  await fitter.orderList('Ostrand Longshore, WARDEN 2');
  await expect(page.getByRole('region', { name: 'Held back' })).toContainText('Front door, left');
  await page.goto(`${job}/build`);
  await expect(
    page.getByText(/Front door, left: crash beam behind it, 40 mm deep, in its record/).first(),
  ).toBeVisible();
});
