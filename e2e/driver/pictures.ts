/** Picture files as people bring them: what a telephone writes, and what only looks like a picture. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { Page } from '@playwright/test';

export type PictureFile = { readonly name: string; readonly mimeType: string; readonly buffer: Buffer };

/** Drawn by the page itself: red, with a white corner at the upper left. */
async function drawnPicture(page: Page, widthPx: number, heightPx: number): Promise<Buffer> {
  const url = await page.evaluate(
    ([width, height]) => {
      const canvas = Object.assign(document.createElement('canvas'), { width, height });
      const context = canvas.getContext('2d');
      if (!context) throw new Error('expected a canvas');
      context.fillStyle = '#c02020';
      context.fillRect(0, 0, width, height);
      context.fillStyle = '#ffffff';
      context.fillRect(0, 0, width / 4, height / 4);
      return canvas.toDataURL('image/jpeg');
    },
    [widthPx, heightPx] as const,
  );
  return Buffer.from(url.slice(url.indexOf(',') + 1), 'base64');
}

/** With the place, the device and its serial number in it, and lying on its side: to be turned a quarter clockwise (EXIF 0x0112, 6). */
export async function telephonePicture(page: Page, name: string): Promise<PictureFile> {
  return withFolder(async (folder) => {
    const file = path.join(folder, 'picture.jpg');
    writeFileSync(file, await drawnPicture(page, 800, 600));
    const place = ['-GPSLatitude=51.05', '-GPSLatitudeRef=N', '-GPSLongitude=3.72', '-GPSLongitudeRef=E'];
    const device = ['-Make=Invented', '-SerialNumber=SN-0042', '-n', '-Orientation=6'];
    execFileSync('exiftool', ['-q', '-overwrite_original', ...place, ...device, file]);
    return { name, mimeType: 'image/jpeg', buffer: readFileSync(file) };
  });
}

/** Groups of what is written in a picture besides itself, by exiftool. */
export async function groupsIn(picture: Buffer): Promise<readonly string[]> {
  return withFolder(async (folder) => {
    const file = path.join(folder, 'picture.jpg');
    writeFileSync(file, picture);
    const [tags] = JSON.parse(execFileSync('exiftool', ['-j', '-a', '-G1', file], { encoding: 'utf8' }));
    return [...new Set(Object.keys(tags).map((tag) => tag.split(':')[0] ?? ''))].sort();
  });
}

async function withFolder<Answer>(work: (folder: string) => Promise<Answer>): Promise<Answer> {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'low-quarry-picture-'));
  try {
    return await work(folder);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
