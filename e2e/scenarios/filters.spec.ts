/** What goes into a speaker's line: parts that are sold, counted at once, also while the shop is away. */
import { expect, test } from '../driver/test';

test.use({ allowedErrors: /ERR_INTERNET_DISCONNECTED/ });

const JOB = 'Brackwell Ferryman, FERRY 16';
const DOOR = 'Front door, left';

test('a filter is put in, counts at once while the server is away, is in the shop once it is back, and is taken out again', async ({
  fitter,
}) => {
  const { page } = fitter;
  const context = page.context();
  const wires = async () => {
    await fitter.openJob(JOB);
    await page.getByRole('link', { name: /^Wire/ }).click();
    await expect(page.getByRole('heading', { name: 'Wires', level: 1 })).toBeVisible();
  };
  const door = page.getByRole('region', { name: 'The openings' }).getByRole('listitem').filter({ hasText: DOOR });
  const form = page.getByRole('form', { name: `Filter in the line of ${DOOR}` });
  const drawing = page.getByRole('img', { name: /^Channel front left: / });
  await wires();
  await door.getByRole('button', { name: `Put a filter before ${DOOR}` }).click();

  // Slips stand at their fields, and nothing that was typed is lost by a reload.
  await form.getByLabel('Passes from, Hz').fill('60 V');
  await form.getByRole('button', { name: 'Propose parts that are sold' }).click();
  await expect(form.getByText('“60 V” was read. Type Hz from 20 to 20,000.')).toBeVisible();
  await form.getByLabel('Passes from, Hz').fill('60');
  await form.getByLabel('Quieter by, dB').fill('6');
  await form.getByRole('button', { name: 'Propose parts that are sold' }).click();
  await expect(form.getByLabel('Capacitor in the line, µF')).toHaveValue('680');
  await expect(form.getByLabel('Resistor across the speaker, Ω')).toHaveValue('3.9');

  // Moved by hand, the parts follow: two twelfths of an octave up, and back.
  const corner = form.getByRole('slider', { name: 'Passes from, by hand' });
  await expect(form.getByRole('img', { name: `What the parts take at ${DOOR} over frequency` })).toBeVisible();
  await corner.press('ArrowRight');
  await corner.press('ArrowRight');
  await expect(form.getByLabel('Passes from, Hz')).toHaveValue('67');
  await expect(form.getByLabel('Capacitor in the line, µF')).toHaveValue('560');
  // So does what arrives at the seat, before anything is saved: the old speaker is there, and nobody knows how loud it plays.
  await form.getByRole('button', { name: 'Show what arrives at the seat with them' }).click();
  await expect(
    form.getByRole('img', {
      name: 'What of the voltage of channel front left, with these parts reaches its speakers, over frequency',
    }),
  ).toBeVisible();
  await corner.press('ArrowLeft');
  await corner.press('ArrowLeft');
  await expect(form.getByLabel('Capacitor in the line, µF')).toHaveValue('680');

  await form.getByLabel('Coil behind it across the line, mH').fill('0.3 F');
  await form.getByRole('button', { name: 'Put it in the line' }).click();
  await expect(form.getByText('“0.3 F” was read. A coil is in mH, such as 0.33.')).toBeVisible();
  await page.reload();
  await door.getByRole('button', { name: `Put a filter before ${DOOR}` }).click();
  await expect(form.getByText('What was typed on this device and not saved is back.')).toBeVisible();
  await expect(form.getByLabel('Coil behind it across the line, mH')).toHaveValue('0.3 F');
  await form.getByLabel('Coil behind it across the line, mH').fill('');
  const effect = form.getByRole('region', { name: 'What it really does' });
  await expect(effect).toContainText(/Passes from \d+ Hz \(\d+ Hz to \d+ Hz\), where half of the power is gone/);
  await expect(effect).toContainText('How hot its resistors get follows from the RMS power, and nobody says that.');

  await context.setOffline(true);
  await form.getByRole('button', { name: 'Put it in the line' }).click();
  await expect(form).toBeHidden();
  await expect(door).toContainText('In its line: 680 µF in the line; pad 2 Ω in the line, 3.9 Ω across it.');
  await expect(drawing).toHaveAccessibleName(/680 µF in the line/);
  await context.setOffline(false);
  await expect(page.getByRole('link', { name: /waiting/ })).toBeHidden();
  await page.reload();
  await expect(door).toContainText('In its line: 680 µF in the line; pad 2 Ω in the line, 3.9 Ω across it.');

  await door.getByRole('button', { name: `Change the filter of ${DOOR}` }).click();
  await form.getByRole('button', { name: 'Take it out' }).click();
  await expect(door).toContainText('In its line: nothing.');
  await expect(drawing).not.toHaveAccessibleName(/in the line/);
  await fitter.openPage('/history', 'History');
  await expect(page.getByRole('main')).toContainText('Filter in its line: 680 µF in the line');
});

test('a pair that is to be run new is cut by the way that was measured: its length, its loss, and a line to have at hand', async ({
  fitter,
}) => {
  const { page } = fitter;
  const runs = page.getByRole('region', { name: 'New wire' });
  const wires = async () => {
    await fitter.openJob(JOB);
    await page.getByRole('link', { name: /^Wire/ }).click();
    await expect(page.getByRole('heading', { name: 'Wires', level: 1 })).toBeVisible();
  };
  const save = async () => {
    await page.getByRole('button', { name: 'Save room, ways and channels' }).click();
    await expect(page.getByText('Room, ways and channels are saved.', { exact: true })).toBeVisible();
  };
  await fitter.openPage('/vehicles/veh-brackwell-ferryman', /^Brackwell Ferryman/);
  const first = page.getByRole('group', { name: 'channel 1', exact: true });
  await first.getByLabel('Wire to its speakers').selectOption('New wire');
  await save();
  await wires();
  await expect(runs).toContainText('A new pair is to be run, and nobody measured its way.');
  await expect(runs).toContainText('note it with the vehicle as a way that ends at “Front door, left”');
  await fitter.openPage('/vehicles/veh-brackwell-ferryman', /^Brackwell Ferryman/);
  const ways = page.getByRole('region', { name: 'Ways for wires' });
  await ways.getByRole('button', { name: 'Add a way' }).click();
  await ways.getByLabel('From').fill('radio');
  await ways.getByLabel('To').fill('front door, left');
  await ways.getByLabel('Length, mm').fill('3000');
  await save();
  await wires();
  await expect(runs).toContainText('3.6 m of 1.5 mm² (16 AWG): 3.0 m of way and slack. It takes 0.2 dB.');
  await expect(runs).toContainText('Battery off first');
  await fitter.orderList(JOB);
  await expect(page.getByRole('region', { name: 'To have at hand' })).toContainText('3.6 m of pair, 1.5 mm² (16 AWG)');
});
