/** Photos of a car: added, looked at, marked, kept while the server is away, refused in words. */
import { groupsIn, telephonePicture } from '../driver/pictures';
import { expect, test } from '../driver/test';

test.use({ person: 'Rieke', allowedErrors: /Failed to load resource|ERR_|net::/ });

const JOB = 'Corran Tern, HDS 3';
const DOOR = 'Front door, left';
const ONLY_THE_PICTURE = ['Composite', 'ExifTool', 'File', 'SourceFile', 'System'];

test('several at once, upright and without place or serial number; marked, described, taken off and back', {
  tag: '@plain',
}, async ({ fitter }) => {
  const { page } = fitter;
  await fitter.measure(JOB, DOOR);
  const photos = page.getByRole('region', { name: `Photos of ${DOOR}` });
  const files = [await telephonePicture(page, 'one.jpg'), await telephonePicture(page, 'two.jpg')];
  await photos.getByLabel(`Photo files, ${DOOR}`).setInputFiles(files);
  await expect(photos.getByRole('button', { name: /^Open: / })).toHaveCount(2);
  await expect(photos.getByText('Waits for the shop')).toHaveCount(0);
  await photos
    .getByRole('button', { name: /^Open: / })
    .first()
    .click();
  const viewer = page.getByRole('dialog');
  const picture = viewer.getByRole('img', { name: `Photo of ${DOOR.toLowerCase()}` });
  // It lay on its side: upright it is higher than wide.
  await expect
    .poll(() => picture.evaluate((image: HTMLImageElement) => [image.naturalWidth, image.naturalHeight]))
    .toEqual([600, 800]);
  const bytes = await picture.evaluate(async (image: HTMLImageElement) => {
    const buffer = await (await fetch(image.src)).arrayBuffer();
    return [...new Uint8Array(buffer)];
  });
  expect(await groupsIn(Buffer.from(bytes))).toEqual(ONLY_THE_PICTURE);

  // Drawn by the hand, and put there without one.
  const surface = viewer.getByRole('img', { name: 'No marks' });
  const box = await surface.boundingBox();
  if (!box) throw new Error('expected the picture to be there');
  await page.mouse.move(box.x + box.width * 0.2, box.y + box.height * 0.2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.6, box.y + box.height * 0.5, { steps: 4 });
  await page.mouse.up();
  await viewer.getByLabel('Draw on the picture').selectOption('Circle');
  await viewer.getByRole('button', { name: 'Put a circle in the middle' }).click();
  await viewer.getByRole('button', { name: 'Circle 2, move it with the arrow keys' }).press('ArrowUp');
  await expect(viewer.getByRole('img', { name: 'Marks: arrow, circle' })).toBeVisible();
  await viewer.getByLabel('Caption').fill('The second plug');
  await page.reload();
  await photos
    .getByRole('button', { name: /^Open: / })
    .first()
    .click();
  await expect(viewer.getByLabel('Caption')).toHaveValue('The second plug');
  await viewer.getByRole('button', { name: 'Save caption and marks' }).click();
  await expect(viewer.getByRole('button', { name: 'Save caption and marks' })).toBeDisabled();
  await viewer.getByRole('button', { name: 'Close' }).click();

  // On the car's own screen with where it is from, and in its history.
  await fitter.openJob(JOB);
  const described = page.getByRole('button', { name: 'Open: The second plug' });
  await expect(described).toContainText(DOOR);
  await described.click();
  await viewer.getByRole('button', { name: 'Take the photo off' }).click();
  await expect(described).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo it' }).click();
  await expect(described).toBeVisible();
  await page.getByRole('link', { name: 'History' }).click();
  const changes = page.getByRole('list', { name: 'Changes' });
  await expect(changes.getByText('Marks: none → 1 arrow, 1 circle')).toBeVisible();
});

test.describe('while the server is away', () => {
  test.use({ serviceWorkers: 'allow' });

  test('they wait on the device, through a reload, and are in the shop once it is back', async ({ fitter, shop }) => {
    const { page } = fitter;
    await fitter.measure(JOB, DOOR);
    await fitter.programKept();
    const file = await telephonePicture(page, 'away.jpg');
    await shop.kill();
    const photos = page.getByRole('region', { name: `Photos of ${DOOR}` });
    await photos.getByLabel(`Photo files, ${DOOR}`).setInputFiles(file);
    await expect(photos.getByText('Waits for the shop')).toBeVisible();
    await page.reload();
    await expect(photos.getByText('Waits for the shop')).toBeVisible();
    // What lies on the device holds neither place nor serial number either.
    const [kept, ...others] = await fitter.keptPictures();
    expect(others).toEqual([]);
    expect(
      (await groupsIn(kept as Buffer)).filter(
        (group) => !/^(Composite|ExifTool|File|JFIF|SourceFile|System|ICC.*)$/.test(group),
      ),
    ).toEqual([]);
    expect((kept as Buffer).toString('latin1')).not.toContain('SN-0042');
    await page.getByRole('link', { name: /^1 waiting/ }).click();
    await expect(page.getByText(`Photo: ${DOOR}`)).toBeVisible();
    await shop.start();
    await expect(page.getByText('Nothing waits: the shop has everything')).toBeVisible();
    await fitter.measure(JOB, DOOR);
    await expect(photos.getByRole('button', { name: /^Open: / })).toHaveCount(1);
    await expect(photos.getByText('Waits for the shop')).toHaveCount(0);
  });
});

test('what is no photo is refused by name, with what would do, and the others come in', async ({ fitter }) => {
  const { page } = fitter;
  await fitter.measure(JOB, DOOR);
  const photos = page.getByRole('region', { name: `Photos of ${DOOR}` });
  const named = (name: string, buffer: Buffer) => ({ name, mimeType: 'image/jpeg', buffer });
  await photos
    .getByLabel(`Photo files, ${DOOR}`)
    .setInputFiles([
      named('program.jpg', Buffer.from('#!/bin/sh\necho')),
      named('drawing.jpg', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script/></svg>')),
      named('apple.jpg', Buffer.from('\x00\x00\x00\x18ftypheic')),
      await telephonePicture(page, 'good.jpg'),
    ]);
  await expect(photos.getByRole('alert').filter({ hasText: 'program.jpg: This is a program' })).toBeVisible();
  await expect(photos.getByRole('alert').filter({ hasText: 'drawing.jpg: This is a page or a drawing' })).toBeVisible();
  await expect(photos.getByRole('alert').filter({ hasText: 'apple.jpg: This is a picture as HEIC' })).toBeVisible();
  await expect(photos.getByRole('button', { name: /^Open: / })).toHaveCount(1);
  // As the browser makes it: a file of 80 MB does not go through the driver.
  await page.evaluate((label) => {
    const input = document.querySelector<HTMLInputElement>(`input[aria-label="${label}"]`);
    const list = new DataTransfer();
    list.items.add(new File([new Uint8Array(80_000_000)], 'huge.jpg'));
    if (!input) throw new Error('expected a field for files');
    input.files = list.files;
    input.dispatchEvent(new Event('change', { bubbles: true }));
  }, `Photo files, ${DOOR}`);
  await expect(photos.getByRole('alert')).toHaveText(
    'huge.jpg: The file has 80 MB, and up to 40 MB are taken: send a smaller copy of it.',
  );
});

test('what is pasted goes to the part of the screen that has the focus, else to the main one', async ({ fitter }) => {
  const { page } = fitter;
  await fitter.openJob(JOB);
  const photos = page.getByRole('region', { name: `Photos of ${JOB}` });
  await expect(photos.getByRole('button', { name: 'Add files' })).toBeVisible();
  const { buffer } = await telephonePicture(page, 'pasted.jpg');
  await page.evaluate(
    (bytes) => {
      const clipboardData = new DataTransfer();
      clipboardData.items.add(new File([Uint8Array.from(bytes)], 'pasted.jpg', { type: 'image/jpeg' }));
      document.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }));
    },
    [...buffer],
  );
  await expect(photos.getByRole('button', { name: /^Open: / })).toHaveCount(1);
});

test('the camera is shown within the page, gives a photo, and is let go', async ({ fitter }) => {
  const { page } = fitter;
  await fitter.measure(JOB, DOOR);
  const photos = page.getByRole('region', { name: `Photos of ${DOOR}` });
  await photos.getByRole('button', { name: 'Take a photo' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByRole('button', { name: 'Take the photo' }).click();
  await expect(sheet.getByText('One photo is taken.')).toBeVisible();
  const camera = await sheet.getByLabel('What the camera sees').elementHandle();
  await sheet.getByRole('button', { name: 'Close' }).click();
  await expect(photos.getByRole('button', { name: /^Open: / })).toHaveCount(1);
  await expect(photos.getByText('Waits for the shop')).toHaveCount(0);
  const isOn = await camera?.evaluate(
    (video) => (video as HTMLVideoElement & { srcObject: MediaStream }).srcObject.active,
  );
  expect(isOn).toBe(false);
});

test('without leave for the camera it says how to give it, or what to do instead', async ({ fitter }) => {
  const { page } = fitter;
  await page.addInitScript(() => {
    navigator.mediaDevices.getUserMedia = async () => {
      throw new DOMException('Permission denied', 'NotAllowedError');
    };
  });
  await fitter.measure(JOB, DOOR);
  await page.getByRole('button', { name: 'Take a photo' }).click();
  await expect(page.getByRole('dialog').getByRole('alert')).toContainText('allow it in the bar above, or add a file.');
});
