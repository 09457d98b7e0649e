import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import type { Page } from '@playwright/test';
import type { Fitter } from '../driver/Fitter';
import { expect, test } from '../driver/test';

const SPEAKER = 'spk-skerrivar-tide-6-half';

/** A lot of six, put on the shelf past the screen. */
async function putOnShelf({ page, address, headers }: Fitter): Promise<void> {
  const lot = { partId: SPEAKER, place: 'A3', pieces: 6, from: '', jobId: null };
  const answer = await page.request.post(`${address}/api/shelf`, {
    data: lot,
    headers: { ...headers, 'Idempotency-Key': crypto.randomUUID() },
  });
  expect(answer.status()).toBe(200);
}

/** As a scanner that types does it. */
async function scan(page: Page, code: string): Promise<void> {
  await page.keyboard.type(code, { delay: 2 });
  await page.keyboard.press('Enter');
}

test('labels are set up for a sheet, printed, and read back by the camera', async ({ fitter }, info) => {
  const { page } = fitter;
  await putOnShelf(fitter);
  await fitter.openPage('/shelf', 'Shelf');
  await page.getByRole('link', { name: 'Label of S1' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Labels for the shelf');
  await page.getByRole('combobox', { name: 'Sheet' }).selectOption('Another, by a ruler');
  await page.getByLabel('Labels side by side').fill('4');
  await expect(page.getByText('The last column ends at 268.7 mm, and the paper at 210 mm.')).toBeVisible();
  await expect(page.getByRole('link', { name: 'The labels as PDF' })).toHaveCount(0);
  await page.getByLabel('Labels side by side').fill('2');
  await page.getByLabel('First label still on the sheet').fill('2');
  // The shop's own sheet is there the next time.
  await page.reload();
  await expect(page.getByLabel('Labels side by side')).toHaveValue('2');
  await expect(page.getByRole('img', { name: 'The sheet, 210 × 297 mm, with 14 labels' })).toBeVisible();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'The labels as PDF' }).click(),
  ]);
  const file = info.outputPath('labels.pdf');
  await download.saveAs(file);
  // The printed sheet before the camera: upper half, as a hand holds it.
  const picture = info.outputPath('printed');
  execFileSync('pdftoppm', ['-r', '110', '-png', '-singlefile', file, picture]);
  await page.addInitScript(
    async (png) => {
      navigator.mediaDevices.getUserMedia = async () => {
        const image = new Image();
        image.src = png;
        await image.decode();
        const canvas = document.createElement('canvas');
        canvas.width = image.width;
        canvas.height = Math.round(image.width * 0.75);
        const draw = () => canvas.getContext('2d')?.drawImage(image, 0, 0);
        draw();
        setInterval(draw, 100);
        return canvas.captureStream();
      };
    },
    `data:image/png;base64,${readFileSync(`${path.resolve(picture)}.png`).toString('base64')}`,
  );
  // Loaded, with what stands for the camera.
  await page.goto(`${fitter.address}/scan`);
  await page.getByRole('button', { name: 'Use the camera' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Scanned: S1');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  const found = page.getByRole('list', { name: 'What has this code' });
  await expect(found).toContainText('6 pieces at A3 of Skerrivar Tide 6½');
  await found.getByRole('link', { name: 'S1, on the shelf' }).click();
  await expect(page.getByRole('region', { name: 'Lots' }).getByRole('listitem')).toHaveCount(1);
});

test('a scanner that types leads on from any page, and types into a field that is being filled in', async ({
  fitter,
}) => {
  const { page } = fitter;
  await putOnShelf(fitter);
  await fitter.openJobs();
  // Two machines share one processor here: letters that came too slowly are a person's, and whoever hears no answer scans again.
  await expect(async () => {
    await scan(page, 'S1');
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Scanned: S1', { timeout: 2000 });
  }).toPass();
  // The field there has the focus: what is scanned next is typed into it.
  await scan(page, 'J3');
  const found = page.getByRole('list', { name: 'What has this code' });
  await expect(found.getByRole('listitem')).toContainText('Brackwell Ferryman, FERRY 16');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Scanned: J3');
  await page.getByRole('textbox', { name: 'Code' }).fill('ns-1007');
  await page.getByRole('button', { name: 'Find it' }).click();
  await expect(found.getByRole('listitem')).toContainText(SPEAKER);
  await page.getByRole('textbox', { name: 'Code' }).fill('of nobody');
  await page.keyboard.press('Enter');
  await expect(page.getByText('No lot, no job and no part has just this code.')).toBeVisible();
  await page.getByRole('link', { name: 'Find parts with it in their words' }).click();
  await expect(page.getByLabel('Find')).toHaveValue('of nobody');
});

test.describe('what reads codes cannot be loaded', () => {
  test.use({ allowedErrors: /codeWorker|Failed to load resource|ERR_FAILED/ });

  test('the camera says so, and what to do instead', async ({ fitter }) => {
    const { page } = fitter;
    await fitter.openPage('/scan', 'Scan');
    await page.context().route('**/codeWorker*', (route) => route.abort());
    await page.getByRole('button', { name: 'Use the camera' }).click();
    const sheet = page.getByRole('dialog');
    await expect(sheet.getByRole('alert')).toContainText('What reads codes could not be loaded');
    await expect(sheet).not.toContainText('Hold it over the code');
  });
});

test('over plain http there is no camera, and what to do instead is said', { tag: '@plain' }, async ({ fitter }) => {
  const { page } = fitter;
  await fitter.openPage('/scan', 'Scan');
  await page.getByRole('button', { name: 'Use the camera' }).click();
  await expect(page.getByRole('dialog').getByRole('alert')).toHaveText(
    'This page came over plain http, and browsers give it no camera. Type what stands on the label instead.',
  );
});
