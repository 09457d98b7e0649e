/** What somebody did to a car before: doubts at the opening, things to have at hand, and what is held until it is decided. */
import { expect, test } from '../driver/test';

const JOB = 'Brackwell Ferryman, FERRY 16';

test('missing clips are on the list, other rivets are measured anew, and a plug that was cut off holds the order', async ({
  fitter,
}) => {
  const { page } = fitter;
  const found = (label: string) => page.getByRole('checkbox', { name: label });
  const save = async () => {
    await fitter.save();
    await fitter.saved();
  };
  await fitter.measure(JOB, 'Front door, left');
  await found('Looked: nothing was done to it').check();
  await expect(found('Clips missing or broken')).not.toBeChecked();
  await found('Clips missing or broken').check();
  await expect(found('Looked: nothing was done to it')).toHaveCount(0);
  await save();
  await fitter.orderList(JOB);
  const needs = page.getByRole('region', { name: 'To have at hand' });
  await expect(needs).toContainText('Front door, left: clips missing or broken, from before.');
  await expect(page.getByRole('region', { name: 'On the list' })).toContainText('Front door, left');

  await fitter.measure(JOB, 'Front door, left');
  await expect(found('Clips missing or broken')).toBeChecked();
  await found('Plug cut off').check();
  await save();
  await fitter.orderList(JOB);
  await expect(page.getByRole('region', { name: 'Held back' })).toContainText('Its plug was cut off before');
  // Only what is still ordered for asks for anything.
  await expect(needs).toContainText('Door card, front right: nobody has written down what holds it.');
  await expect(needs).not.toContainText('Front door, left');
  await page.getByRole('link', { name: /^Wire/ }).click();
  await expect(page.getByRole('link', { name: /Plug: cut off before; the wires have to be joined\./ })).toBeVisible();

  // The library's pattern is of holes that may not be there any more.
  await fitter.measure(JOB, 'Side panel, left');
  await found('Rivets or screws that are not the maker’s').check();
  await save();
  await page.getByRole('link', { name: 'What fits here' }).click();
  await expect(fitter.ranked()).not.toHaveCount(0);
  await fitter.ranked().first().click();
  await expect(fitter.check('Bolts')).toContainText(/measure|not measured|nobody/i);
});
