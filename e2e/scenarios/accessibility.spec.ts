import { expectAccessible } from '../driver/accessible';
import type { Fitter } from '../driver/Fitter';
// What one of them changes is nothing to the others.
import { expect, looking as test } from '../driver/test';

/** What depends on how a screen is laid out; the rest of a tablet's screen is that of the two other sizes. */
const LAYOUT_RULES = ['target-size', 'scrollable-region-focusable'];

type Look = {
  readonly width: number;
  readonly height: number;
  readonly light: string;
  readonly rules: readonly string[];
};

/** Each light at one of the two sizes that are looked at whole: contrast takes most of a look. */
const LOOKS: readonly Look[] = [
  { width: 1280, height: 800, light: 'counter', rules: [] },
  { width: 800, height: 1280, light: 'counter', rules: LAYOUT_RULES },
  { width: 390, height: 844, light: 'bay', rules: [] },
];

const SCREENS: readonly { readonly name: string; readonly open: (fitter: Fitter) => Promise<unknown> }[] = [
  { name: 'jobs', open: (fitter) => fitter.openJobs() },
  {
    name: 'booking in',
    open: async (fitter) => {
      await fitter.openJobs();
      await fitter.page.getByRole('button', { name: 'Book a car in' }).click();
      await expect(fitter.page.getByRole('dialog')).toBeVisible();
    },
  },
  {
    name: 'booking in what no library knows',
    open: async (fitter) => {
      await fitter.openJobs();
      await fitter.page.getByRole('button', { name: 'Book a car in' }).click();
      await fitter.page.getByRole('button', { name: 'It is not in the library' }).click();
      await fitter.page.getByLabel('Built from, year').fill('soon');
      await fitter.page.getByRole('button', { name: /^Book in/ }).click();
      await expect(fitter.page.getByText('Choose a body.')).toBeVisible();
    },
  },
  {
    name: 'one more place of a car',
    open: async (fitter) => {
      await fitter.openJob('Brackwell Ferryman, FERRY 16');
      await fitter.page.getByRole('button', { name: 'Add a place' }).click();
      await expect(fitter.page.getByRole('dialog')).toBeVisible();
    },
  },
  {
    name: 'what is asked of a car, with a slip',
    open: async (fitter) => {
      await fitter.openJob('Brackwell Ferryman, FERRY 16');
      await fitter.page.getByRole('link', { name: /^Book in/ }).click();
      await fitter.page.getByLabel('Budget, whole').fill('much');
      await fitter.page.getByRole('button', { name: 'Save what was asked' }).click();
      await expect(fitter.page.getByText('“much” was read.')).toBeVisible();
    },
  },
  {
    name: 'the bay’s week, with a time of it',
    open: async (fitter) => {
      await fitter.openPage('/bay', 'Bay');
      await fitter.page
        .getByRole('button', { name: /^Book / })
        .first()
        .click();
      await expect(fitter.page.getByRole('dialog')).toBeVisible();
    },
  },
  { name: 'the bay’s week', open: (fitter) => fitter.openPage('/bay', 'Bay') },
  { name: 'vehicles', open: (fitter) => fitter.openPage('/vehicles', 'Vehicles') },
  {
    name: 'a vehicle',
    open: (fitter) => fitter.openPage('/vehicles/veh-corran-tern', 'Corran Tern, 2014 to 2019, Base'),
  },
  {
    name: 'an opening of a vehicle',
    open: (fitter) => fitter.openPage('/vehicles/veh-corran-tern/openings/Rear%20door%2C%20left', 'Rear door, left'),
  },
  {
    name: 'a panel of a vehicle, with a slip',
    open: async (fitter) => {
      await fitter.openPage('/vehicles/veh-corran-tern/panels/Door%20card%2C%20front%20left', 'Door card, front left');
      await fitter.page.getByLabel('How many').first().fill('a few');
      await fitter.page.getByRole('button', { name: 'Save the panel' }).click();
      await expect(fitter.page.getByText('“a few” was read.')).toBeVisible();
    },
  },
  { name: 'job', open: (fitter) => fitter.openJob('Brackwell Ferryman, FERRY 16') },
  {
    name: 'a photo, marked',
    open: async (fitter) => {
      await fitter.openJob('Brackwell Ferryman, FERRY 16');
      await fitter.page.getByRole('button', { name: /^Open: The dark plug/ }).click();
      await expect(fitter.page.getByRole('form', { name: 'This photo' })).toBeVisible();
    },
  },
  { name: 'opening, something missing', open: (fitter) => fitter.measure('Corran Tern, HDS 4', 'Front door, left') },
  {
    name: 'opening, oval, with an error',
    open: async (fitter) => {
      await fitter.measure('Ostrand Longshore, PILOT 1', 'Rear deck, left');
      await fitter.type('Front gap', 'abc');
    },
  },
  {
    name: 'opening, somebody else changed the same',
    open: async (fitter) => {
      const { page } = fitter;
      await fitter.measure('Corran Tern, HDS 4', 'Front door, left');
      await fitter.type('Front gap', '31');
      const path = `${fitter.address}/api/openings/${page.url().split('/').at(-1)}`;
      const { version, record } = await (await page.request.get(path)).json();
      const frontGap = { readingsMm: [29], source: 'depthStick', entered: '29', takenBy: 'Rieke', takenAt: null };
      await page.request.put(path, {
        data: { version, record: { ...record, dimensions: { ...record.dimensions, frontGap } } },
        headers: fitter.headers,
      });
      await fitter.save();
      await expect(page.getByRole('alert', { name: 'Changed by somebody else' })).toBeVisible();
    },
  },
  { name: 'fit', open: (fitter) => fitter.whatFits('Corran Tern, HDS 3', 'Front door, left') },
  {
    name: 'fit, a speaker that hits, opened up',
    open: async (fitter) => {
      await fitter.whatFits('Corran Tern, HDS 3', 'Front door, left');
      await fitter.pick('Wrackline Shoal 65');
      await fitter.check('Front').locator('summary').click();
      await fitter.page.getByText('Why not the other').click();
    },
  },
  {
    name: 'fit, laid over, in space',
    open: async (fitter) => {
      await fitter.whatFits('Ostrand Longshore, PILOT 1', 'Front door, left');
      await fitter.pickOf('Lay another one over it', 'Shoal 65 Slim');
      await fitter.page.getByText('Show it in space').click();
      await expect(fitter.page.locator('canvas')).toBeVisible();
    },
  },
  {
    name: 'will it fit, by hand',
    open: async (fitter) => {
      await fitter.openJobs();
      await fitter.page.getByRole('link', { name: 'Will this one fit?' }).click();
      await fitter.pickOf('Speaker', 'Typed in by hand');
      await fitter.page.getByLabel('Mounting depth').fill('deep');
    },
  },
  { name: 'my sign-in', open: (fitter) => fitter.openPage('/me', 'My sign-in') },
  { name: 'settings', open: (fitter) => fitter.openPage('/settings', 'Settings') },
  { name: 'history', open: (fitter) => fitter.openPage('/history', 'History') },
  {
    name: 'history, a change opened',
    open: async (fitter) => {
      await fitter.openPage('/history?kind=choice', 'History');
      await fitter.page
        .getByRole('button', { name: /^Look and bring back/ })
        .first()
        .click();
    },
  },
  { name: 'bin', open: (fitter) => fitter.openPage('/bin', 'Bin') },
  { name: 'waiting entries', open: (fitter) => fitter.openPage('/waiting', 'Waiting entries') },
  { name: 'library', open: (fitter) => fitter.openPage('/parts', 'Parts') },
  { name: 'shelf', open: (fitter) => fitter.openPage('/shelf', 'Shelf') },
  { name: 'labels', open: (fitter) => fitter.openPage('/labels?of=lots&sheet=own', 'Labels for the shelf') },
  { name: 'scan', open: (fitter) => fitter.openPage('/scan?code=J3', 'Scanned: J3') },
  {
    name: 'parts, narrowed',
    open: async (fitter) => {
      await fitter.openPage('/parts?within=depth:-60&columns=depth,cost&by=depth', 'Parts');
      await fitter.page.getByText('Narrow by figures, choose columns').click();
    },
  },
  { name: 'new parts', open: (fitter) => fitter.openPage('/new-parts?kind=crossover', 'New parts by hand') },
  {
    name: 'a set',
    open: (fitter) => fitter.openPage('/parts/set-wrackline-skein-65', 'Wrackline Skein set 65'),
  },
  {
    name: 'a supplier’s list with a doubt',
    open: async (fitter) => {
      await fitter.openPage('/supplier-list', 'A supplier’s list');
      await fitter.page.getByLabel('Supplier', { exact: true }).fill('Quayside Trade');
      const buffer = Buffer.from('Number;Name;Pack;Price\nQT-1014;Shoal;2;1.090,00\nQT-1;Hose;many;1,00');
      await fitter.page
        .getByLabel('List: XLSX, ODS or CSV')
        .setInputFiles({ name: 'list.csv', mimeType: 'text/csv', buffer });
      await expect(fitter.page.getByRole('region', { name: 'Findings' })).toContainText('Doubtful, row 2');
    },
  },
  {
    name: 'parts compared, one that is none',
    open: async (fitter) => {
      const ids = ['spk-dunmarrow-fendrel-65', 'spk-oxlode-w-165-deep', 'nothing'];
      await fitter.openPage(`/compare?${ids.map((id) => `part=${id}`).join('&')}`, 'Parts compared');
      await expect(fitter.page.getByText('They differ in')).toBeVisible();
      await expect(fitter.page.getByText('“nothing” cannot be shown: there is no such part.')).toBeVisible();
    },
  },
  {
    name: 'what to keep in stock',
    open: async (fitter) => {
      await fitter.openPage('/serving?by=measure', 'What to keep in stock');
      await expect(fitter.page.getByRole('list', { name: 'Speakers to keep' }).getByRole('listitem')).not.toHaveCount(
        0,
      );
    },
  },
  {
    name: 'where claim, catalogue and tape disagree',
    open: (fitter) => fitter.openPage('/disagreements', 'Where they disagree'),
  },
  {
    name: 'speakers by two lengths',
    open: async (fitter) => {
      await fitter.openPage('/plot', 'Speakers by two lengths');
      await expect(fitter.page.getByRole('img')).toBeVisible();
    },
  },
  {
    name: 'where a speaker fits',
    open: async (fitter) => {
      await fitter.openPage('/parts/spk-wrackline-shoal-65-slim/places', 'Where Wrackline Shoal 65 Slim fits');
      await expect(fitter.page.getByRole('list', { name: 'Openings' }).getByRole('listitem')).not.toHaveCount(0);
    },
  },
  {
    name: 'doubtful figures',
    open: async (fitter) => {
      await fitter.openPage('/doubts', 'Doubtful figures');
      await fitter.page.getByRole('button', { name: 'Look through all figures' }).click();
      await expect(fitter.page.getByRole('region', { name: 'What is doubted' })).toBeVisible();
    },
  },
  {
    name: 'library, a correction that is refused',
    open: async (fitter) => {
      await fitter.openPage('/parts/spk-wrackline-shoal-65', 'Wrackline Shoal 65');
      await fitter.page.getByText(/^Everything as it is kept/).click();
      await fitter.page.getByLabel('Record, JSON').fill('not json');
      await fitter.page.getByRole('button', { name: 'Save the correction' }).click();
      await fitter.page.getByLabel('Mounting depth, mm').fill('deep');
      await fitter.page.getByRole('button', { name: 'Save its figures' }).click();
    },
  },
  {
    name: 'finder',
    open: async (fitter) => {
      await fitter.openJobs();
      await fitter.page.keyboard.press('Control+k');
      await fitter.page.keyboard.type('shoal');
      await expect(fitter.page.getByRole('option').first()).toBeVisible();
    },
  },
  { name: 'server work', open: (fitter) => fitter.openPage('/work', 'Server work') },
  { name: 'backups', open: (fitter) => fitter.openPage('/backups', 'Backups') },
  { name: 'people', open: (fitter) => fitter.openPage('/people', 'People') },
  { name: 'order list', open: (fitter) => fitter.orderList('Brackwell Ferryman, FERRY 16') },
  {
    name: 'wires',
    open: async (fitter) => {
      await fitter.openJob('Brackwell Ferryman, FERRY 16');
      await fitter.page.getByRole('link', { name: /^Wire/ }).click();
      await expect(fitter.page.getByRole('region', { name: 'The openings' })).toContainText('Dash centre');
    },
  },
  {
    name: 'in the bay',
    open: async (fitter) => {
      await fitter.openJob('Tollan Creel, MEND 4');
      await fitter.page.getByRole('link', { name: /^Build/ }).click();
      await expect(fitter.page.getByRole('link', { name: 'Go on, one step at a time' })).toBeVisible();
    },
  },
  {
    name: 'step by step',
    open: async (fitter) => {
      await fitter.openJob('Tollan Creel, MEND 4');
      await fitter.page.getByRole('link', { name: /^Build/ }).click();
      await fitter.page.getByRole('link', { name: 'Go on, one step at a time' }).click();
      await fitter.page.getByRole('button', { name: 'Found something else' }).click();
      await expect(fitter.page.getByLabel('What you found')).toBeVisible();
    },
  },
  { name: 'order list, empty', open: (fitter) => fitter.orderList('Tarnhill Packhorse, HIVE 2') },
  {
    name: 'what works today, with a fault',
    open: async (fitter) => {
      await fitter.openJob('Brackwell Ferryman, FERRY 16');
      await fitter.page.getByRole('link', { name: 'What works today' }).click();
      await fitter.page
        .getByRole('group', { name: /^Camera/ })
        .getByRole('button', { name: 'Does not' })
        .click();
      await fitter.page.getByRole('button', { name: 'Add a listening note' }).click();
      await fitter.page.getByRole('button', { name: 'Save what was tried' }).click();
      await expect(fitter.page.getByText('Type the volume as the radio shows it')).toBeVisible();
    },
  },
  {
    name: 'hand-over, something worse',
    open: async (fitter) => {
      await fitter.openJob('Brackwell Ferryman, FERRY 16');
      await fitter.page.getByRole('link', { name: /^Hand over/ }).click();
      await fitter.page.getByRole('button', { name: 'Does not' }).first().click();
      await expect(fitter.page.getByText('Before: not tried.').first()).toBeVisible();
    },
  },
  {
    name: 'person switch',
    open: async (fitter) => {
      await fitter.openJobs();
      await fitter.page.getByRole('button', { name: /^Okke\b.*Change person/ }).click();
      await fitter.page.getByRole('button', { name: 'Rieke', exact: true }).click();
    },
  },
  {
    name: 'sign-in',
    open: async (fitter) => {
      // The last of all: nobody is signed in behind it. The page before is left first, for it goes on asking.
      await fitter.page.goto('about:blank');
      await fitter.page.context().clearCookies();
      await fitter.page.goto(fitter.address);
      await expect(fitter.page.getByRole('heading', { name: 'Slipway Nine', level: 1 })).toBeVisible();
    },
  },
];

// The browser logs a refused save itself.
test.use({ allowedErrors: /status of 404|status of 409/ });

/** So many are looked at from one page, one after the other: a page of its own for each costs more than what is looked at. */
const ON_ONE_PAGE = 4;

for (let first = 0; first < SCREENS.length; first += ON_ONE_PAGE) {
  const screens = SCREENS.slice(first, first + ON_ONE_PAGE);
  test(`${screens.map(({ name }) => name).join('; ')}: no serious finding, nothing wider than the screen`, async ({
    fitter,
  }) => {
    for (const { name, open } of screens) await test.step(name, () => expectGood(fitter, open));
  });
}

async function expectGood(fitter: Fitter, open: (fitter: Fitter) => Promise<unknown>): Promise<void> {
  const { page } = fitter;
  await open(fitter);
  for (const { light, rules, ...size } of LOOKS) {
    await page.setViewportSize(size);
    // As its switch sets it.
    await page.evaluate((value) => {
      document.documentElement.dataset.light = value;
    }, light);
    await expectAccessible(page, `${size.width}, ${light} light`, rules);
    const overflow = await page.evaluate(
      () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
    );
    expect(overflow, `wider than ${size.width}`).toBeLessThanOrEqual(0);
  }
}
