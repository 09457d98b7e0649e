/** The vehicle library: any car that rolls in is in it within two minutes, and what is known of it is put right by whoever sees it. */
import { expect, test } from '../driver/test';

test('a car that no library knows is booked in from its body, and the next one of it is found by a few letters', async ({
  fitter,
}) => {
  const { page } = fitter;
  await fitter.openJobs();
  await page.getByRole('button', { name: 'Book a car in' }).click();
  const field = page.getByRole('combobox', { name: 'Vehicle and trim' });
  await field.fill('tollan skiff 2018');
  await page.getByRole('option', { name: '“tollan skiff 2018” as a new one, not in the library' }).click();
  // What was typed to look for it is not typed again.
  await expect(page.getByLabel('Make')).toHaveValue('Tollan');
  await expect(page.getByLabel('Model')).toHaveValue('Skiff');
  await expect(page.getByLabel('Built from, year')).toHaveValue('2018');
  await page.getByLabel('Body').selectOption('Estate, 5 doors');
  await expect(page.getByText('Usual for it: front door 2, sail panel 2, dash centre, rear door 2.')).toBeVisible();
  await page.getByLabel('Whose car').fill('Harbour vet');
  await page.getByLabel('Registration').fill('HDS-3');
  await expect(page.getByText('Job 1 has it too: Harbour driving school.')).toBeVisible();
  await page.getByLabel('Registration').fill('VET 1');
  // A battery that is pulled loses nothing.
  await page.reload();
  await page.getByRole('button', { name: 'Book a car in' }).click();
  await expect(page.getByLabel('Model')).toHaveValue('Skiff');
  await page.getByRole('button', { name: 'Book in with 7 openings' }).click();
  await expect(page.getByRole('heading', { name: 'Tollan Skiff, VET 1', level: 1 })).toBeVisible();
  await expect(page.getByText('Not known: an amplifier decides load and bands.')).toBeVisible();
  await expect(page.getByText('6.5 in, usual for the body, not looked at').first()).toBeVisible();

  // Nothing of it is taken for seen: the fit says so once, above all candidates.
  await page.getByRole('link', { name: 'What fits Front door, left' }).click();
  await expect(page.getByText('Taken as is usual for such a body, and nobody has looked').first()).toBeVisible();
  await page.getByRole('link', { name: 'Measurements' }).click();
  // The screen before says it too, and stays until the next one is there.
  await expect(page.getByRole('button', { name: 'Save measurements' })).toBeVisible();
  const assumed = page.getByText('Taken as is usual for such a body, and nobody has looked:');
  await expect(assumed).toBeVisible();
  await fitter.type('Hole diameter', '148');
  await fitter.type('Bolt circle', '160');
  await fitter.type('Depth behind', '60');
  await page.getByRole('button', { name: 'Looked: fixing' }).click();
  await expect(assumed).toHaveCount(0);
  await fitter.save();
  await fitter.saved();

  // What was found on this car is offered to the library, and the next one begins with it.
  await expect(
    page.getByText(/The library does not know this yet:.*hole diameter, bolt circle, depth behind/),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Take it into the library' }).click();
  await expect(page.getByRole('button', { name: 'Take it into the library' })).toHaveCount(0);

  await fitter.openJobs();
  await page.getByRole('button', { name: 'Book a car in' }).click();
  await field.fill('skif');
  await page.getByRole('option', { name: /^Tollan Skiff, from 2018, trim not known/ }).click();
  await page.getByLabel('Whose car').fill('Harbour vet, the other one');
  await page.getByRole('button', { name: 'Book in with 7 openings' }).click();
  await expect(page.getByText('Harbour vet, the other one')).toBeVisible();
  await page.getByRole('link', { name: 'Measure Front door, left' }).click();
  await expect(fitter.field('Hole diameter')).toHaveValue('148');
  await expect(page.getByText('Taken as is usual for such a body, and nobody has looked:')).toHaveCount(0);
});

test.describe('while the server is away', () => {
  test.use({ serviceWorkers: 'allow', allowedErrors: /ERR_/ });

  test('a car that no library knows is booked in too, once', async ({ fitter, shop }) => {
    const { page } = fitter;
    const kept = page.waitForResponse('**/api/templates');
    await fitter.openJobs();
    await kept;
    await fitter.programKept();
    await shop.kill();
    await page.getByRole('button', { name: 'Book a car in' }).click();
    await page.getByRole('button', { name: 'It is not in the library' }).click();
    await page.getByLabel('Body').selectOption('Roadster, 2 doors');
    await page.getByLabel('Make').fill('Tollan');
    await page.getByLabel('Model').fill('Gig');
    await page.getByLabel('Whose car').fill('Ferry office');
    await page.getByRole('button', { name: 'Book in with 6 openings' }).click();
    await expect(page.getByText('The car is booked in as soon as it is back, once')).toBeVisible();
    await page.keyboard.press('Escape');
    // A variant without a car waits too.
    await page.getByRole('link', { name: 'Vehicles', exact: true }).click();
    await page.getByRole('button', { name: 'Add a vehicle' }).click();
    await page.getByLabel('Body').selectOption('Small van');
    await page.getByLabel('Make').fill('Tollan');
    await page.getByLabel('Model').fill('Wherry');
    await page.getByRole('button', { name: 'Add it to the library' }).click();
    await expect(page.getByText('It is in the library as soon as it is back, once')).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('link', { name: /^2 waiting/ })).toBeVisible();
    await shop.start();
    await expect(page.getByRole('link', { name: /waiting/ })).toHaveCount(0);
    await fitter.openPage('/vehicles?find=wherry', 'Vehicles');
    await expect(page.getByText('Tollan Wherry')).toHaveCount(1);
    await fitter.openPage('/vehicles?find=gig', 'Vehicles');
    await expect(page.getByText('6 openings, 1 job')).toHaveCount(1);
  });
});

test('a car seen before is chosen in two presses, and what was typed wrong finds it all the same', async ({
  fitter,
}) => {
  const { page } = fitter;
  await fitter.openJobs();
  await page.getByRole('button', { name: 'Book a car in' }).click();
  const field = page.getByRole('combobox', { name: 'Vehicle and trim' });
  await field.fill('premium longshre 2017');
  await expect(page.getByRole('option', { name: /^Ostrand Longshore/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(field).toHaveValue('Ostrand Longshore, 2016 to 2022, Premium');
  await expect(page.getByText('Estate, 5 doors. Six speakers, separate amplifier. 6 openings.')).toBeVisible();
});

test.describe('what is refused', () => {
  test.use({ allowedErrors: /status of 4(00|22)/ });

  test('the same variant twice: it is said at its field, and what was typed stays', async ({ fitter }) => {
    const { page } = fitter;
    await fitter.openPage('/vehicles', 'Vehicles');
    await page.getByRole('button', { name: 'Add a vehicle' }).click();
    await page.getByLabel('Body').selectOption('Hatchback, 5 doors');
    await page.getByLabel('Make').fill('corran');
    await page.getByLabel('Model').fill('TERN');
    await page.getByLabel('Built from, year').fill('2017');
    await page.getByLabel('To, year').fill('2016');
    await page.getByLabel('Trim').fill('base');
    await page.getByLabel('Audio package').fill('four speakers, no amplifier');
    await page.getByLabel('Steering wheel').selectOption('On the left');
    const add = page.getByRole('button', { name: 'Add it to the library' });
    await add.click();
    await expect(page.getByText('The last year lies before the first')).toBeVisible();
    await page.getByLabel('To, year').fill('');
    await add.click();
    await expect(page.getByText(/^Corran Tern, 2014 to 2019, Base is in the library already/)).toBeVisible();
    await page.getByLabel('Built from, year').fill('2020');
    await add.click();
    await expect(page.getByRole('heading', { name: 'corran TERN, from 2020, base', level: 1 })).toBeVisible();
  });
});

test('another trim carries measurements over, and sets back what a trim decides', async ({ fitter }) => {
  const { page } = fitter;
  await fitter.openJobs();
  await page.getByRole('button', { name: 'Book a car in' }).click();
  await fitter.pickOf('Vehicle and trim', 'Corran Tern, 2014 to 2019, Base');
  await page.getByRole('button', { name: 'Another trim of this one' }).click();
  await expect(page.getByText(/^Begins as Corran Tern, 2014 to 2019, Base, with its measurements/)).toBeVisible();
  await page.getByLabel('Trim').fill('Top');
  await expect(page.getByText('Another trim: which openings have speakers and wires is decided by it.')).toBeVisible();
  await page.getByLabel('Built from, year').fill('2020');
  await page.getByLabel('To, year').fill('');
  await expect(page.getByText('Built 2014 to 2019: at a change of the model holes, panels')).toBeVisible();
  await page.getByLabel('Audio package').fill('Eight speakers, amplifier');
  await page.getByLabel('Whose car').fill('Night school');
  await page.getByRole('button', { name: 'Book in with 6 openings' }).click();
  await expect(page.getByText('Eight speakers, amplifier')).toBeVisible();
  await page.getByRole('link', { name: 'Measure Front door, left' }).click();
  await expect(page.getByLabel('What is there')).toHaveValue('notLooked');
  await expect(page.getByRole('combobox', { name: 'Connector' })).toHaveValue('Not looked at');
  await expect(fitter.field('Hole diameter')).toHaveValue('148');
});

test('places are added to a car, named, set to a blank panel, and taken off with a way back', async ({ fitter }) => {
  const { page } = fitter;
  await fitter.openJob('Tarnhill Packhorse, HIVE 2');
  await page.getByRole('button', { name: 'Add a place' }).click();
  await page.getByLabel('Place', { exact: true }).selectOption('Front door');
  await expect(page.getByText('Front door, left is there already')).toBeVisible();
  await page.getByLabel('Called').fill('tweeter');
  await page.getByLabel('Made for size').fill('1 in');
  await page.getByLabel('What is there').selectOption('A speaker is fitted');
  await page.getByRole('button', { name: 'Add front door, left, tweeter' }).click();
  await expect(page.getByText('Front door, left, tweeter', { exact: true })).toBeVisible();
  await page.getByRole('link', { name: 'Measure Front door, left, tweeter' }).click();
  await page.getByLabel('Called').fill('high tweeter');
  await page.getByLabel('What is there').selectOption('Blank panel, no opening');
  await fitter.save();
  await fitter.saved();
  await expect(page.getByRole('heading', { name: 'Front door, left, high tweeter', level: 1 })).toBeVisible();
  await page.getByRole('button', { name: 'Take front door, left, high tweeter off the car' }).click();
  await expect(page.getByRole('heading', { name: 'Tarnhill Packhorse, HIVE 2', level: 1 })).toBeVisible();
  await expect(page.getByText('Front door, left, high tweeter is off the car.', { exact: true })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Measure Front door, left, high tweeter' })).toHaveCount(0);
  await page.getByRole('button', { name: /^Undo/ }).first().click();
  await expect(page.getByText('No opening', { exact: true })).toBeVisible();
});

test.describe('what such a car has', () => {
  test.use({ person: 'Rieke', allowedErrors: /status of 403/ });

  test('is written down on the vehicle, is asked for of the next car, and is not another’s to take off', async ({
    fitter,
  }) => {
    const { page } = fitter;
    const functions = page.getByRole('region', { name: 'Functions' });
    await fitter.openPage('/vehicles/veh-corran-tern', 'Corran Tern, 2014 to 2019, Base');
    await expect(functions).toContainText('Nobody has written down what it has');
    await functions.getByLabel('Camera').uncheck();
    await functions.getByLabel('Something else it has').fill('Tow bar socket');
    await functions.getByRole('button', { name: 'Add it' }).click();
    await expect(functions.getByLabel('Tow bar socket')).toBeChecked();
    // A battery that is pulled loses nothing.
    await page.reload();
    await expect(functions.getByLabel('Tow bar socket')).toBeChecked();
    await expect(functions.getByLabel('Camera')).not.toBeChecked();
    await functions.getByRole('button', { name: 'Save what it has' }).click();
    await expect(page.getByText('What such a car has is saved.', { exact: true })).toBeVisible();
    await fitter.openJob('Corran Tern, HDS 4');
    await page.getByRole('link', { name: 'What works today' }).click();
    await expect(page.getByRole('group', { name: /^Tow bar socket/ })).toBeVisible();
    await expect(page.getByRole('group', { name: /^Camera/ })).toHaveCount(0);

    await fitter.comeIn('Merle');
    await fitter.openPage('/vehicles/veh-corran-tern', 'Corran Tern, 2014 to 2019, Base');
    await functions.getByLabel('Tow bar socket').uncheck();
    await functions.getByRole('button', { name: 'Save what it has' }).click();
    await expect(functions.getByText('Functions: written by Rieke. The owner may replace it')).toBeVisible();
    await fitter.comeIn('Okke');
    await fitter.openPage('/vehicles/veh-corran-tern', 'Corran Tern, 2014 to 2019, Base');
    await expect(functions.getByLabel('Tow bar socket')).toBeChecked();
  });
});

test.describe('a fitter at the library', () => {
  test.use({ person: 'Rieke', allowedErrors: /status of 403/ });

  test('fills in what nobody had written, opening by opening, and leaves what others wrote to the owner', async ({
    fitter,
  }) => {
    const { page } = fitter;
    await fitter.openPage('/vehicles', 'Vehicles');
    await page.getByLabel('Find a vehicle').fill('promenade');
    await page.getByRole('link', { name: /^Sellwick Promenade/ }).click();
    await page.getByLabel('Market').fill('Islands');
    await page.getByRole('button', { name: 'Save the vehicle' }).click();
    await expect(page.getByText('The vehicle is saved.', { exact: true })).toBeVisible();
    await page.getByLabel('Trim').fill('Coast');
    await page.getByRole('button', { name: 'Save the vehicle' }).click();
    await expect(page.getByText(/^Trim: written before the history began\. The owner may replace it/)).toBeVisible();
    // Who saw it otherwise leaves it beside what is written, and the owner settles it.
    await page.getByRole('button', { name: 'Note it as disputed' }).click();
    const disputed = page.getByRole('region', { name: 'Disputed' });
    await expect(disputed).toContainText('Trim: Rieke says “Coast”');
    await expect(disputed.getByRole('button', { name: /^Settled/ })).toHaveCount(0);
    await expect(page.getByLabel('Trim')).toHaveValue('Touring');

    await page.getByRole('link', { name: /^Side panel, left/ }).click();
    await page.getByLabel('Beam, rail or wiring behind the hole').selectOption('Looked: nothing there');
    await page.getByRole('button', { name: 'Save what is known' }).click();
    await expect(page.getByText('Side panel, left is saved.', { exact: true })).toBeVisible();
    await page.reload();
    await expect(page.getByLabel('Beam, rail or wiring behind the hole')).toHaveValue('nothing');
    await page.getByRole('link', { name: /^Sellwick Promenade/ }).click();
    await page.getByRole('button', { name: 'Add a place' }).click();
    await page.getByLabel('Place', { exact: true }).selectOption('Another place');
    await page.getByLabel('Called').last().fill('Hat shelf');
    await page.getByRole('button', { name: 'Add hat shelf, left' }).click();
    await expect(page.getByRole('link', { name: /^Hat shelf, left/ })).toBeVisible();
    await fitter.openJob('Sellwick Promenade, PROM 98');
    await page.getByRole('button', { name: /^Show all/ }).click();
    await expect(
      page.getByRole('link', { name: /Trim: Rieke says “Coast”, and the library says otherwise/ }),
    ).toBeVisible();
    await fitter.comeIn('Okke');
    await page.goto(`${fitter.address}/vehicles/veh-sellwick-promenade`);
    await disputed.getByRole('button', { name: /^Settled/ }).click();
    await expect(disputed).toHaveCount(0);
  });
});
