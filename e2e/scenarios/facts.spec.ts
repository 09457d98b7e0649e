/** Facts of a car that change the outcome: asked where asking is cheap, seen where one can see them, and handed on to the next car. */
import { expect, test } from '../driver/test';

const WINDOWS = 'Are the windows cranked or electric?';

test('what is asked on the telephone is only said until somebody sees it; the next car of its kind begins with it', async ({
  fitter,
}) => {
  const { page } = fitter;
  const points = page.getByRole('region', { name: 'Open points' });
  const showAll = async () => {
    await points.getByRole('button', { name: /^Show all/ }).click();
    await expect(points.getByRole('button', { name: /^Show all/ })).toHaveCount(0);
  };
  const facts = page.getByRole('region', { name: 'The car itself' });
  const save = async () => {
    await facts.getByRole('button', { name: 'Save what was found' }).click();
    await expect(facts.getByRole('button', { name: 'Save what was found' })).toBeDisabled();
  };
  await fitter.openJob('Corran Tern, HDS 4');
  await showAll();
  await points.getByRole('link', { name: WINDOWS }).click();
  const windows = facts.getByLabel(WINDOWS);
  await expect(windows).toBeFocused();
  await windows.selectOption('Cranked');
  await facts.getByLabel('Windows in the doors: how it is known').selectOption('Said by a seller, or the customer');
  await page.reload();
  await expect(windows).toHaveValue('crank');
  await save();

  await fitter.openJob('Corran Tern, HDS 4');
  await showAll();
  const doorsClosed = points
    .locator('div')
    .filter({ has: page.getByRole('heading', { name: 'At the car, doors closed' }) });
  await doorsClosed.getByRole('link', { name: `${WINDOWS} It was only said: cranked` }).click();
  await facts.getByLabel('Windows in the doors: how it is known').selectOption('Seen on such a car here');
  await facts.getByLabel('Windows in the doors: note').fill('all four');
  await save();
  await expect(facts.getByText('The library does not know this yet: windows in the doors.')).toBeVisible();
  await facts.getByRole('button', { name: 'Take it into the library' }).click();
  await expect(facts.getByText('The library does not know this yet')).toHaveCount(0);

  await fitter.openJob('Corran Tern, HDS 3');
  await showAll();
  await expect(points.getByRole('link', { name: WINDOWS })).toHaveCount(0);
  await page.getByRole('link', { name: /^Book in/ }).click();
  await expect(facts.getByText('The library: Cranked (seen here): all four.')).toBeVisible();
  await fitter.openPage('/history?kind=job', 'History');
  await expect(page.getByText(/Windows in the doors: not looked → Cranked/).first()).toBeVisible();
});

test.describe('two at one car', () => {
  test.use({ allowedErrors: /status of 409/ });

  test('what each found comes together; the same thing found differently is asked about', async ({ fitter }) => {
    const { page } = fitter;
    await fitter.openJob('Corran Tern, HDS 4');
    await page.getByRole('link', { name: /^Book in/ }).click();
    const jobId = page.url().split('/')[4];
    const facts = page.getByRole('region', { name: 'The car itself' });
    await facts.getByLabel('Are the windows cranked or electric?').selectOption('Electric');
    const address = `${fitter.address}/api/jobs/${jobId}`;
    const { job } = await (await page.request.get(address)).json();
    const seen = { grade: 'seenHere', note: '', by: 'Rieke', at: null };
    const found = { windows: { answer: 'crank', ...seen }, boot: { answer: 'connector', ...seen } };
    const data = { version: job.version, found };
    expect((await page.request.put(`${address}/found`, { headers: fitter.headers, data })).status()).toBe(200);
    await facts.getByRole('button', { name: 'Save what was found' }).click();
    const panel = page.getByRole('alert', { name: 'Changed by somebody else' });
    await expect(panel).toContainText('Windows in the doors');
    await expect(panel).toContainText('Boot between door and pillar');
    await panel.getByRole('radio', { name: /^Theirs/ }).check();
    await panel.getByRole('button', { name: /^Save/ }).click();
    await expect(panel).toHaveCount(0);
    await expect(facts.getByLabel('Are the windows cranked or electric?')).toHaveValue('crank');
    await expect(facts.getByLabel(/^Is the boot open/)).toHaveValue('connector');
  });
});
