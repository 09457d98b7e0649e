/** What went wrong once: two more pins of a plug were left off with the old speaker, and a warning sound was gone. */
import { expect, test } from '../driver/test';

test.use({ person: 'Jory' });

const JOB = 'Corran Tern, HDS 3';
const DOOR = 'Front door, left';

test('the pins of a plug: what nobody tried holds the opening, warning sounds hold it until they are kept, empty ones do not', async ({
  fitter,
}) => {
  const { page } = fitter;
  const face = page.getByRole('group', { name: 'Pins of its plug' });
  await fitter.measure(JOB, DOOR);
  await page.getByRole('button', { name: 'Note the pins of its plug' }).click();
  // As many positions as the library knows of this connector; this one has two more.
  await expect(face).toContainText('2 positions in 1 row');
  await face.getByRole('button', { name: 'One more' }).click();
  await face.getByRole('button', { name: 'One more' }).click();
  await face.getByRole('button', { name: 'Pin 2, not noted' }).click();
  await expect(face.getByRole('status')).toHaveText('Pin 2, and which other?');
  await face.getByRole('button', { name: 'Pin 1, not noted' }).click();
  await face.getByLabel('A, pins 1 and 2: carries').selectOption('Sound: everything');
  await face.getByLabel('A: what says so').selectOption('Done here, and tried');
  await face.getByLabel('A: colour of the wire at pin 2').fill('white with blue');
  await expect(face.getByRole('status')).toContainText('Nobody said what ends at pins 3 and 4');

  // Which is positive is told by pressing its pin.
  await page.getByLabel('What says which wire is positive').selectOption('Tested with a cell: the cone moved out');
  await page.getByRole('button', { name: 'Pin 2', exact: true }).click();
  await expect(page.getByLabel('Positive is')).toHaveValue('pin 2');
  await expect(face.getByRole('button', { name: 'Pin 2, pair A' })).toContainText('A+');
  await fitter.save();
  await fitter.saved();

  await page.getByRole('link', { name: 'What fits here' }).click();
  await expect(fitter.check('Chime')).toContainText('Nobody has tried what comes through pins 3 and 4 of its plug.');
  await fitter.openJob(JOB);
  await page.getByRole('link', { name: /^Wire/ }).click();
  const wires = page.getByRole('region', { name: 'The openings' });
  await expect(wires.getByRole('listitem').filter({ hasText: DOOR })).toContainText('pins 3 and 4 not looked at');
  await expect(wires.getByRole('listitem').filter({ hasText: DOOR })).toContainText(
    'pins 1 and 2 (white with blue) sound: everything',
  );
  await expect(wires.getByRole('listitem').filter({ hasText: DOOR })).toContainText('must go on working');

  // Heard with a lamp: the belt chime.
  await fitter.measure(JOB, DOOR);
  await face.getByRole('button', { name: 'Pin 3, not noted' }).click();
  await face.getByRole('button', { name: 'Pin 4, not noted' }).click();
  await face.getByLabel('B, pins 3 and 4: carries').selectOption('Warning sounds');
  await fitter.save();
  await fitter.saved();
  await page.getByRole('link', { name: 'What fits here' }).click();
  await expect(fitter.check('Chime')).toContainText(
    "Through pins 3 and 4 of its plug come the vehicle's warning sounds. They must go on working",
  );
  await fitter.choose();
  await expect(page.getByText(/is chosen here\./)).toBeVisible();
  await fitter.orderList(JOB);
  await expect(page.getByRole('region', { name: 'Held back' })).toContainText(
    'the factory sounder stays connected to what feeds it and is heard',
  );

  // What is decided of the warnings covers no other pin: one more that nobody tried is said too, and asks to be looked at first.
  await fitter.measure(JOB, DOOR);
  await face.getByRole('button', { name: 'One more' }).click();
  await fitter.save();
  await fitter.saved();
  await page.getByRole('link', { name: 'What fits here' }).click();
  await expect(fitter.check('Chime')).toContainText("come the vehicle's warning sounds");
  await expect(fitter.check('Chime')).toContainText('Nobody has tried what comes through pin 5 of its plug.');
  await fitter.orderList(JOB);
  await expect(page.getByRole('region', { name: 'Held back' })).toContainText('it has to be looked at first');
  await fitter.measure(JOB, DOOR);
  await face.getByRole('button', { name: 'One less' }).click();
  await fitter.save();
  await fitter.saved();

  // A guess clears nothing; that no wire ends there does.
  await fitter.measure(JOB, DOOR);
  await face.getByLabel('B, pins 3 and 4: carries').selectOption('Nothing');
  await face.getByLabel('B: what says so').selectOption('Guessed');
  await fitter.save();
  await fitter.saved();
  await page.getByRole('link', { name: 'What fits here' }).click();
  await expect(fitter.check('Chime')).toContainText('Nobody has tried what comes through pins 3 and 4');
  await fitter.measure(JOB, DOOR);
  await face.getByRole('button', { name: 'B is no pair' }).click();
  await face.getByRole('button', { name: 'No wire ends at pins 3 and 4' }).click();
  await expect(face.getByRole('status')).toHaveText('Every position is noted.');
  await fitter.save();
  await fitter.saved();
  await page.getByRole('link', { name: 'What fits here' }).click();
  await expect(fitter.check('Chime')).toContainText('The old speaker has one plug only.');
});

test('pins of a plug that a hand could not have pressed are refused by name, and what was there stays', async ({
  fitter,
}) => {
  const { page, headers, address } = fitter;
  await fitter.measure(JOB, DOOR);
  const openingId = new URL(page.url()).pathname.split('/').at(-1);
  const there = await (await page.request.get(`${address}/api/openings/${openingId}`)).json();
  const put = (plugFaces: unknown) =>
    page.request.put(`${address}/api/openings/${openingId}`, {
      headers,
      data: { version: there.version, record: { ...there.record, plugFaces } },
    });
  const pair = { carries: 'full', grade: 'seenHere' };
  const face = { rows: 1, positions: 4, empty: [] };
  const answer = await put([{ ...face, pairs: [{ ...pair, pins: [1, 7] }] }]);
  expect(answer.status()).toBe(400);
  expect(JSON.stringify(await answer.json())).toContain('Pin 7 of 4 positions: press one that is there');
  expect((await put([{ ...face, pairs: [{ ...pair, pins: [3, 3] }] }])).status()).toBe(400);
  const after = await (await page.request.get(`${address}/api/openings/${openingId}`)).json();
  expect(after).toEqual(there);
});
