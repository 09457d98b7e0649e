/** Panels of a vehicle, written down by whoever takes them off, and what the next car has of it. */
import { channelsNotNoted } from '../driver/channelsNotNoted';
import { expect, test } from '../driver/test';

// A slip and what is somebody else’s are refused, and the browser writes that down.
test.use({ person: 'Rieke', allowedErrors: /status of 40[039]/ });

const JOB = 'Corran Tern, HDS 3';
const PANEL = 'Door card, rear left';

test('a panel that nobody described is written down while it comes off, and stands before the opening afterwards', async ({
  fitter,
}) => {
  const { page } = fitter;
  await fitter.measure(JOB, 'Rear door, left');
  await expect(page.getByText('In front of it: door card, rear left.')).toBeVisible();
  await page.getByText('How it comes off').click();
  await page.getByRole('link', { name: 'Write it down while it comes off' }).click();
  const form = page.getByRole('form', { name: PANEL });
  const holds = form.getByRole('region', { name: 'What holds it' });
  await holds.getByRole('button', { name: 'Add a fastener' }).click();
  const first = holds.getByRole('group', { name: 'fastener 1' });
  await first.getByLabel('How many').fill('a few');
  await form.getByRole('button', { name: 'Save the panel' }).click();
  await expect(first.getByText('“a few” was read.')).toBeVisible();
  await expect(first.getByText('Type where it is, such as')).toBeVisible();
  await first.getByLabel('How many').fill('2');
  await first.getByLabel('Where').fill('in the pocket');
  await first.getByLabel('Hidden by').selectOption('Felt or carpet');
  await first.getByLabel('Head').selectOption('Six-lobe');
  await first.getByLabel('Driver').fill('T20');
  await first.getByLabel('Length, mm').fill('5/8 in');
  await holds.getByRole('button', { name: 'Add a fastener' }).click();
  const clips = holds.getByRole('group', { name: 'fastener 2' });
  await clips.getByLabel('Kind').selectOption('Tree clip');
  await clips.getByLabel('Where').fill('all round');

  // What was typed is there after a reload; a circle is named, and a line of it taken off.
  await page.reload();
  await expect(clips.getByLabel('Where')).toHaveValue('all round');
  const order = form.getByRole('region', { name: 'What comes before what' });
  await order.getByRole('button', { name: 'Add what comes first' }).click();
  await order.getByRole('button', { name: 'Add what comes first' }).click();
  const second = order.getByRole('group', { name: 'Line 2' });
  await second.getByLabel('First').selectOption('Tree clip, all round');
  await second.getByLabel('Before').selectOption('Screw, in the pocket');
  await expect(order.getByRole('alert')).toContainText('nobody could work by that');
  await second.getByRole('button', { name: 'Take line 2 off' }).click();
  await expect(order.getByRole('list', { name: 'In this order' }).getByRole('listitem')).toHaveText([
    'Screw, in the pocket',
    'Tree clip, all round',
  ]);
  // Where the screws are is pressed on the drawing; a press on a mark takes it off, and what cannot be read is left as it was typed.
  const marks = form.getByRole('region', { name: 'Where on the panel' });
  const drawing = marks.getByRole('img');
  const place = async (x: number, y: number) => {
    const box = await drawing.boundingBox();
    await drawing.click({ position: { x: ((box?.width ?? 0) * x) / 300, y: ((box?.height ?? 0) * y) / 200 } });
  };
  await place(150, 100);
  await place(81, 144);
  const typed = first.getByLabel('On the drawing');
  await expect(typed).toHaveValue('50 50; 25 75');
  await place(150, 102);
  await expect(typed).toHaveValue('25 75');
  await marks.getByRole('button', { name: '2 tree clip, all round' }).click();
  await clips.getByLabel('On the drawing').fill('10 10; left');
  await place(150, 100);
  await form.getByRole('button', { name: 'Save the panel' }).click();
  await expect(clips.getByText('“left” was read; type two figures from 0 to 100')).toBeVisible();
  await clips.getByLabel('On the drawing').fill('10 10; 90 10');
  await expect(drawing).toHaveAccessibleName(/screw, in the pocket: 1 marked; tree clip, all round: 2 marked/);
  await form.getByRole('button', { name: 'Add an instruction' }).click();
  const instruction = form.getByRole('group', { name: 'Instruction 1' });
  await instruction.getByLabel('What it is').fill('Door trim, sheet 4');
  await instruction.getByLabel('Where it is').fill('javascript:4');
  await instruction.getByLabel('How it did here').selectOption('it worked here');
  await form.getByRole('button', { name: 'Save the panel' }).click();
  await expect(instruction.getByText('Type an address with http or https, or a page.')).toBeVisible();
  await instruction.getByLabel('Where it is').fill('folder, page 4');
  await form.getByLabel('Looked: nothing hangs on it').check();
  await form.getByRole('button', { name: 'Save the panel' }).click();
  await expect(page.getByText(`${PANEL} is saved.`, { exact: true })).toBeVisible();

  await fitter.measure(JOB, 'Rear door, left');
  await expect(page.getByText('2 fasteners counted, 1 kind not counted; nothing hangs on it.')).toBeVisible();
  await page.getByText('How it comes off').click();
  await expect(page.getByRole('list', { name: 'It comes off in this order' }).getByRole('listitem')).toHaveText([
    '2 screws, six-lobe T20, 15.88 mm, in the pocket, under felt or carpet',
    'tree clips, not counted, all round',
  ]);
  await fitter.openPage('/history?kind=vehicle', 'History');
  await expect(page.getByText('Door card, rear left: not there → there', { exact: true })).toBeVisible();
});

test('room, ways and channels are written down with how they are known, and what nobody looked at says so', async ({
  fitter,
}) => {
  const { page } = fitter;
  await channelsNotNoted(fitter, 'veh-corran-tern', 'Rieke');
  await fitter.openPage('/vehicles/veh-corran-tern', 'Corran Tern, 2014 to 2019, Base');
  const form = page.getByRole('form', { name: 'Room, ways and channels' });
  const channels = form.getByRole('region', { name: 'Channels' });
  await expect(channels).toContainText('not looked');
  await channels.getByRole('button', { name: 'Add a channel' }).click();
  await channels.getByLabel('Called').fill('front left');
  await channels.getByLabel('Carries').selectOption('Bass only');
  await form.getByRole('region', { name: 'Room for more' }).getByLabel('Length, mm').fill('12 ells');
  await form.getByRole('button', { name: 'Save room, ways and channels' }).click();
  await expect(form.getByText('“12 ells” was read.')).toBeVisible();
  await form.getByRole('region', { name: 'Room for more' }).getByLabel('Length, mm').fill('310');
  await form.getByRole('button', { name: 'Save room, ways and channels' }).click();
  // What others wrote is the owner’s to replace; a channel that nobody had noted is not.
  await expect(form.getByText(/Room for more: written by Okke/)).toBeVisible();
  await form.getByRole('region', { name: 'Room for more' }).getByLabel('Length, mm').fill('320');
  await form.getByRole('button', { name: 'Save room, ways and channels' }).click();
  await expect(page.getByText('Room, ways and channels are saved.', { exact: true })).toBeVisible();
  await page.reload();
  await expect(channels.getByLabel('Carries')).toHaveValue('bass');
});

test('a car that begins with its body has the usual panels, which are nobody’s word', async ({ fitter }) => {
  const { page } = fitter;
  await fitter.openPage('/vehicles', 'Vehicles');
  const headers = fitter.headers;
  const added = await page.request.post(`${fitter.address}/api/vehicles`, {
    headers,
    data: {
      ...{ make: 'Tollan', model: 'Skiff', years: { from: 2018, to: null }, body: 'hatchback', doors: 5 },
      ...{ trim: '', audioPackage: '', steeringSide: 'left', from: { kind: 'template', templateId: 'hatchback' } },
    },
  });
  const { record } = await added.json();
  await fitter.openPage(`/vehicles/${record.id}`, 'Tollan Skiff, from 2018, trim not known');
  const panels = page.getByRole('region', { name: 'Panels' });
  await expect(panels.getByRole('link', { name: /^Door card, front left/ })).toContainText(
    'Usual for the body: look all the same.',
  );
  await panels.getByRole('link', { name: /^Door card, front left/ }).click();
  const form = page.getByRole('form', { name: 'Door card, front left' });
  await form.getByLabel('How this is known').selectOption('Seen on such a car here');
  await form.getByRole('button', { name: 'Take fastener 1 off' }).click();
  await form.getByRole('button', { name: 'Save the panel' }).click();
  await expect(page.getByText('Door card, front left is saved.', { exact: true })).toBeVisible();
});

test('a form that nobody has typed into shows what somebody else saves; what is typed stays', async ({ fitter }) => {
  const { page } = fitter;
  const address = `${fitter.address}/api/vehicles/veh-corran-tern`;
  const saveAs = async (market: string) => {
    const { version, record } = await (await page.request.get(address)).json();
    const data = { version, record: { ...record, market } };
    expect((await page.request.put(address, { headers: fitter.headers, data })).status()).toBe(200);
  };
  await fitter.openPage('/vehicles/veh-corran-tern', 'Corran Tern, 2014 to 2019, Base');
  await expect(page.getByLabel('Market')).toHaveValue('');
  await saveAs('Islands');
  await expect(page.getByLabel('Market')).toHaveValue('Islands');
  await page.getByLabel('Market').fill('Islands and coast');
  await saveAs('Islands, north');
  await page.getByRole('button', { name: 'Save the vehicle' }).click();
  await expect(page.getByRole('alert', { name: 'Changed by somebody else' })).toContainText('Islands, north');
  await expect(page.getByLabel('Market')).toHaveValue('Islands and coast');
});
