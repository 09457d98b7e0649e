/** What went wrong twice: a boot with a connector in it, through which no new wire goes; and two speakers on one channel, half the load it stands. */
import { expect, test } from '../driver/test';

test('new wire that is decided on for a door is asked for its boot, and stops at a connector in it', async ({
  fitter,
}) => {
  const { page } = fitter;
  const job = 'Tarnhill Packhorse, HIVE 2';
  const door = 'Rear door, left';
  await fitter.whatFits(job, door);
  const choosing = page.getByRole('region', { name: 'Choose' });
  await choosing.getByLabel('New wire is run to this opening').check();
  await choosing.getByLabel('From where, and through which boot').fill('From the radio, by the rear door’s boot');
  for (const field of await choosing.getByLabel('Why it is ordered all the same').all())
    await field.fill('Tried in the hand, and it goes');
  await fitter.choose();
  await expect(page.getByText(/is chosen here\./)).toBeVisible();

  const facts = page.getByRole('region', { name: 'The car itself' });
  const question = 'Is the boot open for a wire, or does a connector sit in it?';
  const found = async (answer: string) => {
    await fitter.openJob(job);
    await page.getByRole('link', { name: /^Book in/ }).click();
    await facts.getByLabel(question).selectOption(answer);
    await facts.getByLabel('Boot between door and pillar: how it is known').selectOption('Seen on such a car here');
    await facts.getByRole('button', { name: 'Save what was found' }).click();
    await expect(facts.getByRole('button', { name: 'Save what was found' })).toBeDisabled();
  };
  const points = page.getByRole('region', { name: 'Open points' });
  await fitter.openJob(job);
  await points.getByRole('button', { name: /^Show all/ }).click();
  await expect(points.getByRole('link', { name: question })).toBeVisible();

  await found('A connector sits in it');
  const sentence = `New wire is to be run to ${door}, and a connector sits in the boot`;
  await fitter.orderList(job);
  await expect(page.getByRole('region', { name: 'Held back' })).toContainText(sentence);
  await expect(page.getByRole('link', { name: /^Wire \d+ open, held/ })).toBeVisible();
  await page.getByRole('link', { name: /^Build/ }).click();
  await expect(page.getByRole('region', { name: 'Not worked on' })).toContainText(sentence);

  await found('Open: a wire goes through');
  await fitter.orderList(job);
  await expect(page.getByRole('region', { name: 'Held back' })).not.toContainText(sentence);
});

test('two speakers side by side are half the load: what the radio does not stand is held, and stood one after the other', async ({
  fitter,
}) => {
  const { page } = fitter;
  const job = 'Brackwell Ferryman, FERRY 16';
  const vehicle = async () => {
    await fitter.openPage('/vehicles/veh-brackwell-ferryman', /^Brackwell Ferryman/);
    return page.getByRole('region', { name: 'Channels' });
  };
  const save = async () => {
    await page.getByRole('button', { name: 'Save room, ways and channels' }).click();
    await expect(page.getByText('Room, ways and channels are saved.', { exact: true })).toBeVisible();
  };
  const load = page
    .getByRole('list', { name: 'Checks of channel front left' })
    .getByRole('listitem')
    .filter({ hasText: 'Load' });
  const wires = async () => {
    await fitter.openJob(job);
    await page.getByRole('link', { name: /^Wire/ }).click();
    await expect(load).toBeVisible();
  };
  const channels = await vehicle();
  await channels.getByRole('group', { name: 'channel 2', exact: true }).getByLabel('Front door, right').uncheck();
  await channels.getByRole('group', { name: 'channel 1', exact: true }).getByLabel('Front door, right').check();
  await save();
  await wires();
  // IEC 60268-5: never below four fifths of what is printed; two of 4 Ω side by side are 2 Ω.
  await expect(load).toContainText(/Load: Hits−[12]\.\d\d ± \d\.\d\d Ω/);
  await fitter.orderList(job);
  await expect(page.getByRole('region', { name: 'Held back' })).toContainText('Channel front left');

  await vehicle();
  await channels
    .getByRole('group', { name: 'channel 1', exact: true })
    .getByLabel('Joined')
    .selectOption('One after the other (series)');
  await save();
  await wires();
  await expect(load).toContainText(/Load: Clears/);
});
