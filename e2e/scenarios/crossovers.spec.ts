/** A set's crossover: its chain is closed before anything of it is ordered, and what nobody decided is asked. */
import type { Page } from '@playwright/test';
import { expectAccessible } from '../driver/accessible';
import type { Fitter } from '../driver/Fitter';
import { expect, test } from '../driver/test';

const JOB = 'Corran Tern, HDS 3';
const DOOR = 'Front door, left';
const DASH = 'Dash corner, left';

/** What the dealer's leaflet says of the car: one pair a side from the radio, forked behind the dash. */
async function noteChannels({ page, address, headers }: Fitter): Promise<void> {
  const path = `${address}/api/vehicles/veh-corran-tern`;
  const { version, record } = await (await page.request.get(path)).json();
  const channel = (side: string) => ({
    ...{
      name: `front ${side}`,
      places: [`Front door, ${side}`, `Dash corner, ${side}`],
      feeds: '',
      joined: 'parallel',
    },
    ...{ band: 'full', fedBy: 'radio', leastOhm: 4, power: { watt: 20, rating: 'RMS', atOhm: 4 }, wire: 'factory' },
    ...{ note: '', grade: 'seenHere' },
  });
  const answer = await page.request.put(path, {
    data: { version, record: { ...record, channels: [channel('left'), channel('right')] } },
    headers,
  });
  expect(answer.status()).toBe(200);
}

async function noteSpace(
  { page, address, headers }: Fitter,
  space: { readonly name: string; readonly lengthMm: number; readonly widthMm: number; readonly heightMm: number },
): Promise<void> {
  const path = `${address}/api/vehicles/veh-corran-tern`;
  const { version, record } = await (await page.request.get(path)).json();
  const spaces = [{ ...space, note: '', grade: 'seenHere' }];
  const answer = await page.request.put(path, { data: { version, record: { ...record, spaces } }, headers });
  expect(answer.status()).toBe(200);
}

async function chosen(fitter: Fitter, opening: string, speaker: string): Promise<void> {
  const { page } = fitter;
  await fitter.whatFits(JOB, opening);
  await fitter.pick(speaker);
  const choosing = page.getByRole('region', { name: 'Choose' });
  for (const field of await choosing.getByLabel('Why it is ordered all the same').all())
    await field.fill('Tried in the hand');
  await fitter.choose();
  await expect(page.getByText(/is chosen here\./)).toBeVisible();
}

const wire = async (page: Page) => {
  await page.getByRole('link', { name: /^Wire/ }).click();
  await expect(page.getByRole('heading', { name: 'Wires', level: 1 })).toBeVisible();
};

test('a set’s woofer and tweeter hang on one channel by its crossover: each output ends somewhere, has its lead and its place', async ({
  fitter,
}) => {
  const { page } = fitter;
  await noteChannels(fitter);
  await chosen(fitter, DOOR, 'Wrackline Skein 65 C');
  await chosen(fitter, DASH, 'Wrackline Skein T25');
  await fitter.openJob(JOB);
  await wire(page);
  const checks = page.getByRole('list', { name: 'Checks of channel front left' });
  await expect(checks).toContainText('A tweeter without a filter dies on what the channel carries');
  await expect(checks).toContainText('Load: Hits');

  // What its sheet says is taken from the library; where it lies and what leads on from it nobody decided yet.
  const crossovers = page.getByRole('region', { name: 'Crossovers' });
  await crossovers.getByRole('button', { name: 'Note a crossover' }).click();
  await crossovers.getByRole('button', { name: 'Begin with the set chosen here' }).click();
  await fitter.pickOf('As one of the library', 'Skein two-way');
  await expect(crossovers.getByLabel('Woofer, filter')).toHaveValue('low-pass 3300 Hz, 12 dB');
  const save = crossovers.getByRole('button', { name: 'Save the crossovers' });
  const saved = async () => {
    await save.click();
    await expect(page.getByText('The crossovers are saved.', { exact: true }).last()).toBeVisible();
    await expect(save).toHaveCount(0);
  };
  await saved();
  const chain = crossovers.getByRole('list', { name: 'Checks of crossover left' });
  await expect(chain).toContainText('Leads: Measure first');
  await expect(chain).toContainText('Place: Measure first');
  await expect(checks).toContainText('nobody said: another may load the channel far more');
  await expect(checks).toContainText('Band: Clears');

  // A slip is named, and nothing of it is saved; everybody can use the form, on a telephone too.
  await crossovers.getByRole('button', { name: 'Change the crossovers' }).click();
  await expect(crossovers.getByLabel('Called')).toHaveValue('left');
  await expectAccessible(page, 'crossovers');
  await page.setViewportSize({ width: 390, height: 844 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await page.setViewportSize({ width: 1280, height: 800 });
  await crossovers.getByLabel('Tweeter, filter').fill('3500');
  await save.click();
  await expect(
    crossovers.getByText('“3500” was read. Words such as “high-pass 3500 Hz, 12 dB” would do'),
  ).toBeVisible();
  await crossovers.getByLabel('Tweeter, filter').fill('high-pass 3500 Hz, 12 dB');

  // In the dash, both on the car's own wire: it is one pair, unless the box lies at its fork.
  await crossovers.getByLabel('Comes', { exact: true }).selectOption('With the set, for its own speakers');
  await crossovers.getByLabel('Lies', { exact: true }).selectOption('In the dash');
  for (const which of ['Tweeter', 'Woofer'])
    await crossovers.getByLabel(`${which}, led by`).selectOption('The car’s own wire');
  await crossovers.getByLabel('Held by').fill('two ties on the cross member');
  await saved();
  await expect(checks).toContainText('Load: Clears');
  await expect(chain).toContainText(`Leads: Hold`);
  await expect(chain).toContainText('One pair of the car cannot carry two outputs apart');
  await fitter.orderList(JOB);
  await expect(page.getByRole('region', { name: 'Held back' })).toContainText(
    'One pair of the car cannot carry two outputs',
  );
  await fitter.openJob(JOB);
  await wire(page);
  await crossovers.getByRole('button', { name: 'Change the crossovers' }).click();
  await crossovers.getByLabel('It lies where one pair of the car forks to its speakers').check();
  await saved();
  await expect(chain).toContainText('Leads: Clears');
  await expect(page.getByRole('region', { name: 'Joints' })).toContainText(
    'The wires of channel front left to what goes in, the tweeter’s output to the car’s own pair to Dash corner, left and the woofer’s output to the car’s own pair to Front door, left: 6 ',
  );

  // The two outputs changed over is a dead tweeter.
  await crossovers.getByRole('button', { name: 'Change the crossovers' }).click();
  await crossovers.getByLabel('Tweeter output ends at').selectOption(DOOR);
  await crossovers.getByLabel('Woofer output ends at').selectOption(DASH);
  await saved();
  await expect(chain).toContainText('The woofer’s output ends at the tweeter of Dash corner, left');
  await page.getByRole('button', { name: 'Undo it' }).last().click();
  await expect(chain).toContainText('Outputs: Clears');

  // Where it lies is a space of the vehicle, with room for its wires.
  await noteSpace(fitter, { name: 'above the pedals', lengthMm: 140, widthMm: 80, heightMm: 36 });
  await page.reload();
  await crossovers.getByRole('button', { name: 'Change the crossovers' }).click();
  await crossovers.getByLabel('In the vehicle’s space').selectOption('above the pedals');
  await saved();
  await expect(chain).toContainText('Place: Hits');
  await expect(chain).toContainText('−2.0 ±');
  await noteSpace(fitter, { name: 'above the pedals', lengthMm: 140, widthMm: 80, heightMm: 44 });
  await page.reload();
  await expect(chain).toContainText('Place: Clears');
  await expect(chain).toContainText('+6.0 ±');

  // The tweeter sits in something, and something holds it there: what is cut for it is signed for first, and what softens is looked at again.
  const openings = page.getByRole('region', { name: 'The openings' });
  await expect(openings).toContainText('Seat: Measure firstNobody decided what it sits in');
  await openings.getByRole('button', { name: `Decide the seat of ${DASH}` }).click();
  const seat = page.getByRole('form', { name: `Seat of the tweeter, ${DASH}` });
  const seatIt = seat.getByRole('button', { name: 'Seat it so' });
  await seatIt.click();
  await expect(seat.getByText('Say what it sits in.')).toBeVisible();
  await seat.getByLabel('It sits in').selectOption('A new hole, flush with the trim');
  await seat.getByLabel('Held by').selectOption('Hook-and-loop');
  await expect(seat.getByText('The hole stays for good.')).toBeVisible();
  await seatIt.click();
  await expect(openings).toContainText('Seat: Hold');
  await expect(openings).toContainText('Get the written consent to drill');
  await expect(page.getByRole('link', { name: /^Wire \d+ open, held/ })).toBeVisible();
  await openings.getByRole('button', { name: `Change the seat of ${DASH}` }).click();
  await seat.getByLabel('It sits in').selectOption('The factory tweeter’s housing');
  await seat.getByLabel('From its front to the cloth or grille, mm').fill('6,5');
  await seatIt.click();
  await expect(openings).toContainText('In the heat of a car it softens.');
  await openings.getByRole('button', { name: `Change the seat of ${DASH}` }).click();
  await seat.getByLabel('Looked at again').fill('in a month, by us');
  await seatIt.click();
  await expect(openings).toContainText('Seat: Clears');
});

test('an amplifier and a crossover are laid into one space together, and what comes later keeps its room', async ({
  fitter,
}) => {
  const { page } = fitter;
  await noteChannels(fitter);
  await noteSpace(fitter, { name: 'under the left seat', lengthMm: 320, widthMm: 210, heightMm: 70 });
  await fitter.openJob(JOB);
  await wire(page);
  const boxes = page.getByRole('region', { name: 'Boxes' });
  const save = boxes.getByRole('button', { name: 'Save the boxes' });
  // What was saved before is there when the form opens again.
  const areThere = (count: number) => expect(boxes.getByRole('list', { name: /^Place of/ })).toHaveCount(count);
  const note = async (which: string, fields: Readonly<Record<string, string>>) => {
    await areThere(Number(which.slice(-1)) - 1);
    await boxes.getByRole('button', { name: /^(Note a box|Change the boxes)$/ }).click();
    await boxes.getByRole('button', { name: 'Add a box' }).click();
    const group = boxes.getByRole('group', { name: which });
    for (const [label, text] of Object.entries(fields)) await group.getByLabel(label).fill(text);
    await group.getByLabel('In the vehicle’s space').selectOption('under the left seat');
    return group;
  };
  await note('box 1', { Called: 'amplifier', 'Its box, mm': '240', 'Held by': 'four screws' });
  await save.click();
  await expect(boxes.getByText('“240” was read.')).toBeVisible();
  await boxes.getByLabel('Its box, mm').fill('240 x 160 x 52');
  await save.click();
  const place = boxes.getByRole('list', { name: 'Place of amplifier' });
  await expect(place).toContainText('Place: Clears');
  await expect(place).toContainText('+18.0 ±');

  // A bass box that comes later has no room beside it.
  const later = await note('box 2', { Called: 'bass box', 'Its box, mm': '300 x 200 x 60' });
  await later.getByLabel('What it is').selectOption('A bass box');
  await later.getByLabel('It comes later: its room is kept free').check();
  await save.click();
  await expect(place).toContainText('Amplifier and bass box (later) together do not go into “under the left seat”');
  await page.reload();
  await expect(place).toContainText('Place: Hits');
  await page.getByRole('button', { name: 'Change the boxes' }).click();
  await boxes.getByRole('button', { name: 'Take box 2 off' }).click();
  await save.click();
  await expect(place).toContainText('Place: Clears');

  // Two amplifiers and a distributor: a main for both, a branch to each.
  const second = await note('box 2', {
    Called: 'bass amplifier',
    'Its box, mm': '120 x 40 x 40',
    'Gives, W RMS': '150',
  });
  await expect(second.getByLabel('What it is')).toHaveValue('amplifier');
  await boxes.getByRole('group', { name: 'box 1' }).getByLabel('Gives, W RMS').fill('300 W');
  await save.click();
  const channels = page.getByRole('region', { name: 'The channels' });
  await expect(channels).toContainText('2 amplifiers are put in: one main leads to a distributor');
  const distributor = await note('box 3', { Called: 'distributor', 'Its box, mm': '80 x 40 x 30' });
  await distributor.getByLabel('What it is').selectOption('A distributor');
  await save.click();
  // The way from the battery to the seat is 3.2 m in this car.
  await expect(channels).toContainText('450 W RMS of all together take about 54 A at 12 V');
  await expect(channels).toContainText('a fuse of 20 A in the distributor, where the cable gets thinner');
  await areThere(3);
  await boxes.getByRole('button', { name: 'Change the boxes' }).click();
  for (const which of ['3', '2']) await boxes.getByRole('button', { name: `Take box ${which} off` }).click();
  await save.click();
  await areThere(1);

  // A set's crossover lies beside it.
  const crossovers = page.getByRole('region', { name: 'Crossovers' });
  await crossovers.getByRole('button', { name: 'Note a crossover' }).click();
  await crossovers.getByRole('button', { name: 'Add a crossover' }).click();
  await crossovers.getByLabel('Called').fill('left');
  await crossovers.getByLabel('Its box, mm').fill('112 x 40 x 60');
  await crossovers.getByLabel('In the vehicle’s space').selectOption('under the left seat');
  await crossovers.getByRole('button', { name: 'Save the crossovers' }).click();
  await expect(place).toContainText('Crossover left and amplifier together go into “under the left seat”');
  await expect(place).toContainText('+5.0 ±');
});

test.describe('while the shop is away', () => {
  test.use({ serviceWorkers: 'allow', allowedErrors: /ERR_/ });

  test('what is decided of a crossover while the shop is away waits on the device, and what is typed outlives a reload', async ({
    fitter,
  }) => {
    const { page } = fitter;
    await noteChannels(fitter);
    await fitter.openJob(JOB);
    await wire(page);
    const crossovers = page.getByRole('region', { name: 'Crossovers' });
    await crossovers.getByRole('button', { name: 'Note a crossover' }).click();
    await crossovers.getByRole('button', { name: 'Add a crossover' }).click();
    await crossovers.getByLabel('Called').fill('spare');
    await page.reload();
    await expect(crossovers.getByLabel('Called')).toHaveValue('spare');
    await page.context().setOffline(true);
    await crossovers.getByRole('button', { name: 'Save the crossovers' }).click();
    // It counts here at once.
    await expect(crossovers.getByRole('list', { name: 'Checks of crossover spare' })).toContainText(
      'Nobody decided which channel feeds it.',
    );
    await page.context().setOffline(false);
    await expect
      .poll(async () => {
        const id = new URL(page.url()).pathname.split('/')[2];
        const answer = await page.request.get(`${fitter.address}/api/jobs/${id}`);
        return (await answer.json()).job.crossovers.map(({ name }: { name: string }) => name);
      })
      .toEqual(['spare']);
  });
});
