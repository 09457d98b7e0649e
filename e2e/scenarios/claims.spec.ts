/** What a seller says against what the tape says: beside the verdict, and on one page with all that disagrees. */
import { expect, test } from '../driver/test';

test('a claim stands beside the verdict that contradicts it, and is listed as contradicted: the tape counts', async ({
  fitter,
  context,
}) => {
  const { page } = fitter;
  await fitter.whatFits('Corran Tern, HDS 3', 'Front door, left');
  await fitter.pick('Wrackline Shoal 65');
  await expect(fitter.verdict()).toContainText('Hits');
  await expect(page.getByRole('list', { name: 'Claims' })).toHaveCount(0);

  const library = await context.newPage();
  await library.goto(`${fitter.address}/parts/spk-wrackline-shoal-65`);
  const region = library.getByRole('region', { name: 'What others say' });
  await region.getByRole('button', { name: 'Add a claim' }).click();
  await region.getByRole('button', { name: 'Save what others say' }).click();
  await expect(region.getByText('Pick a vehicle.')).toBeVisible();
  const vehicle = region.getByRole('combobox', { name: 'Vehicle and trim' });
  await vehicle.click();
  await vehicle.fill('Corran Tern');
  await library.getByRole('option').filter({ hasText: 'Corran Tern' }).first().click();
  await region.getByLabel('Place', { exact: true }).selectOption('Rear door');
  await region.getByLabel('Who says it').fill('Northmole’s list');
  await region.getByRole('button', { name: 'Save what others say' }).click();
  await expect(library.getByText('What others say is saved.', { exact: true })).toBeVisible();

  // It is of the rear door: nothing is said at the front, until it is of any place, and then not that the tape says otherwise.
  await expect(page.getByRole('list', { name: 'Claims' })).toHaveCount(0);
  await region.getByLabel('Place', { exact: true }).selectOption('Nobody said which');
  await region.getByRole('button', { name: 'Save what others say' }).click();
  const claims = page.getByRole('list', { name: 'Claims' });
  await expect(claims).toContainText('Northmole’s list says it fits');
  await expect(claims).toContainText('Nobody said in which opening: not in this one.');
  // The answer is slow: what is typed before it comes stays.
  let answerNow = () => {};
  const typed = new Promise<void>((resolve) => {
    answerNow = resolve;
  });
  await library.route('**/api/parts/*', async (route) => {
    if (route.request().method() !== 'PUT') return route.continue();
    const response = await route.fetch();
    await typed;
    return route.fulfill({ response });
  });
  const place = region.getByLabel('Place', { exact: true });
  const save = region.getByRole('button', { name: 'Save what others say' });
  await place.selectOption('Front door');
  await save.click();
  await place.selectOption('Rear door');
  answerNow();
  await expect(claims).toContainText('The tape says otherwise: it counts');
  await expect(save).toBeEnabled();
  await expect(place).toHaveValue('rearDoor');
  await save.click();
  await expect(claims).toHaveCount(0);

  // Of the library's cars nobody measured the front door as this one was: the rear door takes no such speaker in any of them.
  await region.getByRole('link', { name: 'Where claim, catalogue and tape disagree' }).click();
  const listed = library.getByRole('region', { name: 'Claims' }).getByRole('listitem');
  await expect(listed).toHaveCount(2);
  await expect(listed.first()).toContainText('Contradicted: Wrackline Shoal 65, Northmole’s list says it fits');
  await expect(listed.first()).toContainText('Rear door, left');
  await expect(listed.first()).toContainText('€44.50 a piece');
});
