/** What went wrong once: a coaxial in a door that gets bass only has a silent tweeter. And what nobody knows of a channel is asked for. */
import { channelsNotNoted } from '../driver/channelsNotNoted';
import { expect, test } from '../driver/test';

const VEHICLE = '/vehicles/veh-brackwell-ferryman';
const JOB = 'Brackwell Ferryman, FERRY 16';

test('a door that gets bass only holds the coaxial chosen for it, until another channel or another speaker is taken', async ({
  fitter,
}) => {
  const { page } = fitter;
  const wires = async () => {
    await fitter.openJob(JOB);
    await page.getByRole('link', { name: /^Wire/ }).click();
    await expect(page.getByRole('heading', { name: 'Wires', level: 1 })).toBeVisible();
  };
  const checks = page.getByRole('list', { name: 'Checks of channel front left' });

  // Its load is stood; the power that the radio's cover promises is a peak figure, and compares with nothing.
  await wires();
  await expect(checks.getByRole('listitem').filter({ hasText: 'Load' })).toContainText(
    /Load: Clears\+0\.\d\d ± 0\.\d\d Ω/,
  );
  await expect(checks).toContainText('Power: Measure first50 W is a peak figure: only RMS compares.');

  // The fitter hears the old speaker alone: no voice comes through. A figure in volts is no power.
  await fitter.openPage(VEHICLE, /^Brackwell Ferryman/);
  const channels = page.getByRole('region', { name: 'Channels' });
  const first = channels.getByRole('group', { name: 'channel 1', exact: true });
  await first.getByLabel('Carries').selectOption('Bass only');
  await first.getByLabel('Gives, W').fill('18 V');
  await first.getByLabel('Rated as').selectOption('RMS');
  await first.getByLabel('Into, Ω').fill('4 Ω');
  const save = page.getByRole('button', { name: 'Save room, ways and channels' });
  await save.click();
  await expect(first.getByText('“18 V” was read. Type watts such as 25, or leave it empty.')).toBeVisible();
  await first.getByLabel('Gives, W').fill('18');
  await save.click();
  await expect(page.getByText('Room, ways and channels are saved.', { exact: true })).toBeVisible();

  await wires();
  await expect(checks).toContainText('Band: Hold');
  await expect(checks).toContainText('a tweeter in it gets nothing to play: Front door, left.');
  await expect(checks).toContainText('Power: Clears');
  await expect(page.getByRole('link', { name: /^Wire \d+ open, held/ })).toBeVisible();
  await page.getByRole('button', { name: 'Show the impedance' }).first().click();
  await expect(page.getByRole('img', { name: 'Impedance of channel front left over frequency' })).toBeVisible();
  // What arrives stands against the speaker that was there: of a channel that sends bass only the treble is nobody's gain.
  await page.getByRole('button', { name: 'Show what arrives at the seat' }).first().click();
  await expect(
    page.getByRole('img', {
      name: 'What of channel front left is likely to arrive at the driver’s seat, over frequency',
    }),
  ).toBeVisible();
  await expect(page.getByRole('list', { name: 'Channel front left against before' })).toContainText(
    /Voices, 250 Hz to 4 kHz: Louder than before, by \d\.\d dB; 95 in 100 lie between \+\d\.\d and \+\d\.\d dB\./,
  );
  await expect(page.getByText('The channel carries bass only: where it ends is as likely in one octave')).toBeVisible();
  // On a telephone the drawing is a list in the signal's order.
  await page.setViewportSize({ width: 390, height: 844 });
  await expect(page.getByRole('img', { name: /^Channel front left: / })).toBeHidden();
  await expect(page.getByText(/^The radio itself, 18 W RMS into 4 Ω, stands 4 Ω, carries bass only$/)).toBeVisible();
  await page.setViewportSize({ width: 1280, height: 800 });

  // Nothing of it is ordered meanwhile, and the other door is.
  await fitter.orderList(JOB);
  await expect(page.getByRole('region', { name: 'Held back' })).toContainText('a tweeter in it gets nothing to play');
  await expect(page.getByRole('region', { name: 'Lines' })).toContainText('Front door, right');

  // Nor is it built in.
  await page.getByRole('link', { name: /^Build/ }).click();
  const left = page.getByRole('region', { name: 'Not worked on' });
  await expect(left.getByRole('listitem').filter({ hasText: 'Front door, left' })).toContainText(
    'Held back: Channel front left: The channel sends bass only',
  );
  await expect(page.getByRole('region', { name: 'Front door, right' })).toBeVisible();

  // The same is the first thing to be settled, and leads to where another speaker is chosen.
  await fitter.openJob(JOB);
  const points = page.getByRole('region', { name: 'Open points' });
  await points.getByRole('button', { name: /^Show all/ }).click();
  await points.getByRole('link', { name: /Channel front left: The channel sends bass only/ }).click();
  await expect(page.getByRole('heading', { name: 'What fits the front door, left', level: 1 })).toBeVisible();

  // There the channel judges with the shape: a coaxial is held by it, and what it stands is beside what fits.
  const candidate = page.getByRole('region', { name: 'The candidate' });
  await expect(candidate).toContainText('Hold by its channel front left: band');
  await expect(page.getByRole('region', { name: 'Its channel' })).toContainText('Load: Clears');
  await page.getByText(/^Why not the other/).click();
  await page.getByRole('button', { name: /what its channel carries/ }).click();
  const ranked = page.getByRole('list', { name: 'Ranked speakers' }).getByRole('button');
  await expect(ranked.first()).toContainText('coaxial');
  await expect(ranked.first()).toContainText('Channel: band');
});

test('nothing is ordered for a car whose channels nobody noted; the usual ones are nobody’s word, and judge nothing as clear', async ({
  fitter,
}) => {
  const { page } = fitter;
  await channelsNotNoted(fitter, 'veh-corran-tern', 'Okke');
  await fitter.whatFits('Corran Tern, HDS 3', 'Front door, left');
  await fitter.pick('Wrackline Shoal 65 Slim');
  await expect(page.getByRole('region', { name: 'Choose' })).toContainText(
    'Held by the car’s channels, which nobody noted: it can be chosen, and stays off the order list',
  );
  await fitter.choose();
  await expect(page.getByText('Wrackline Shoal 65 Slim is chosen here.')).toBeVisible();
  await fitter.orderList('Corran Tern, HDS 3');
  const held = page.getByRole('region', { name: 'Held back' }).getByRole('listitem').filter({ hasText: 'Front door' });
  await expect(held.first()).toContainText('Nobody noted this car’s channels');
  // That nothing is asked of how it was set is said too.
  await page.getByRole('link', { name: /^Hand over/ }).click();
  await expect(page.getByText(/^Nobody noted this car’s channels: what is set/)).toBeVisible();
  await page.getByRole('link', { name: /^Wire \d+ open, held/ }).click();
  await expect(page.getByText('Nobody noted this car’s channels:', { exact: true })).toBeVisible();
  await page.getByRole('link', { name: 'Note them on the vehicle' }).click();
  const channels = page.getByRole('region', { name: 'Channels' });
  await page.getByRole('button', { name: 'Begin with what is usual' }).click();
  await expect(channels.getByRole('group', { name: /^channel \d$/ })).toHaveCount(4);
  await expect(channels.getByLabel('Called').first()).toHaveValue('front left');
  await expect(channels.getByLabel('How this is known').first()).toHaveValue('classDefault');
  await page.getByRole('button', { name: 'Save room, ways and channels' }).click();
  await expect(page.getByText('Room, ways and channels are saved.', { exact: true })).toBeVisible();
  await fitter.openJob('Corran Tern, HDS 3');
  await page.getByRole('link', { name: /^Wire/ }).click();
  const band = page.getByRole('list', { name: 'Checks of channel rear left' }).getByRole('listitem').nth(1);
  await expect(band).toContainText('Band: Measure firstNobody looked what it carries.');
  await fitter.orderList('Corran Tern, HDS 3');
  await expect(page.getByRole('region', { name: 'Lines' })).toContainText('Front door, left');
});
