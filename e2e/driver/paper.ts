/** What a template is on paper: printed by Chromium, drawn by poppler, and measured in its dots. */
import { execFile } from 'node:child_process';
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import os from 'node:os';
import path from 'node:path';
import { promisify } from 'node:util';
import type { BrowserContext } from '@playwright/test';
import { expect } from './expect';

const DOTS_PER_INCH = 300;
const MM_PER_INCH = 25.4;
const SQUARE_MM = 50;
/** Of its own line, mm. */
const LINE_MM = 0.25;
const DARK = 128;

/** The square that is measured before one cuts is as large as it says, and each hole lies where the file says, within a tenth of a millimetre. */
export async function expectAtOneToOne(context: BrowserContext, svg: string): Promise<void> {
  const page = await context.newPage();
  await page.setContent(
    `<style>@page { margin: 0; size: 210mm 297mm } body { margin: 0 } svg { display: block }</style>${svg}`,
  );
  const holes = await page.evaluate(() =>
    [...document.querySelectorAll('circle')].map((circle) => {
      const { left, right, top, bottom } = circle.getBoundingClientRect();
      const mm = 25.4 / 96;
      return { x: ((left + right) / 2) * mm, y: ((top + bottom) / 2) * mm, r: Number(circle.getAttribute('r')) };
    }),
  );
  const written = [...svg.matchAll(/<circle [^>]*cx="([\d.]+)" cy="([\d.]+)"/g)].map(([, x, y]) => [
    Number(x),
    Number(y),
  ]);
  expect(holes.length).toBeGreaterThan(4);
  expect(written.length).toBe(holes.length);
  for (const [at, { x, y }] of holes.entries()) {
    expect(Math.abs(x - (written[at]?.[0] as number))).toBeLessThan(0.1);
    expect(Math.abs(y - (written[at]?.[1] as number))).toBeLessThan(0.1);
  }
  const picture = await drawn(await page.pdf({ preferCSSPageSize: true, printBackground: true }));
  await page.close();
  const [left, top] = [10, 297 - 10 - SQUARE_MM];
  // Along a line through its middle, from outside one side to outside the other.
  const across = picture.darkAlong(
    { x: left - 3, y: top + SQUARE_MM / 2 },
    { x: left + SQUARE_MM + 3, y: top + SQUARE_MM / 2 },
  );
  const down = picture.darkAlong(
    { x: left + SQUARE_MM / 2, y: top - 3 },
    { x: left + SQUARE_MM / 2, y: top + SQUARE_MM + 3 },
  );
  for (const found of [across, down]) expect(Math.abs(found - SQUARE_MM - LINE_MM)).toBeLessThan(0.2);
}

type PlaceMm = { readonly x: number; readonly y: number };
type Drawn = {
  /** From the first dark dot to the last one between two places of a level or upright line, mm. */
  readonly darkAlong: (from: PlaceMm, to: PlaceMm) => number;
};

async function drawn(pdf: Buffer): Promise<Drawn> {
  const dir = await mkdtemp(path.join(os.tmpdir(), 'paper-'));
  try {
    await writeFile(path.join(dir, 'page.pdf'), pdf);
    await promisify(execFile)('pdftoppm', ['-gray', '-r', `${DOTS_PER_INCH}`, 'page.pdf', 'page'], { cwd: dir });
    return picture(await readFile(path.join(dir, 'page-1.pgm')));
  } finally {
    await rm(dir, { recursive: true, force: true });
  }
}

/** Of a plain grey map: its head is "P5", its width and height, 255. */
function picture(file: Buffer): Drawn {
  const [head = '', width = ''] = /^P5\s+(\d+)\s+\d+\s+255\s/.exec(file.subarray(0, 64).toString('latin1')) ?? [];
  if (head === '') throw new Error('picture: expected a grey map of 8 bits');
  const dot = (mm: number) => Math.round((mm * DOTS_PER_INCH) / MM_PER_INCH);
  const isDark = (x: number, y: number) => (file[head.length + y * Number(width) + x] as number) < DARK;
  return {
    darkAlong: (from, to) => {
      const steps = Math.max(dot(to.x) - dot(from.x), dot(to.y) - dot(from.y));
      const isLevel = from.y === to.y;
      const dark = Array.from({ length: steps }, (_, at) => at).filter((at) =>
        isDark(dot(from.x) + (isLevel ? at : 0), dot(from.y) + (isLevel ? 0 : at)),
      );
      const [first, last] = [dark[0], dark.at(-1)];
      if (first === undefined || last === undefined) return 0;
      return ((last - first + 1) * MM_PER_INCH) / DOTS_PER_INCH;
    },
  };
}
