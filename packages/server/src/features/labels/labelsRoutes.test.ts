/** Labels over HTTP: printed by poppler, read by zbar, neither of them ours. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { ShelfLot } from '@low-quarry/core/contracts/shelf';
import { type LabelPlace, labelLayout, labelPlaces, SHEETS } from '@low-quarry/core/labels';
import { createTestApp, type TestApp } from '../../testing/testApp';
import { drawSymbol } from './drawSymbol';
import { runsOf } from './printFonts';

let app: TestApp;
let dir: string;
beforeAll(async () => {
  app = await createTestApp();
  dir = mkdtempSync(path.join(os.tmpdir(), 'low-quarry-labels-'));
});
afterAll(async () => {
  await app.drop();
  rmSync(dir, { recursive: true, force: true });
});

/** As a printer of a shop has at least. */
const DPI = 300;
const SPEAKER = 'spk-skerrivar-tide-6-half';
const put = async (state: Partial<ShelfLot>): Promise<ShelfLot> =>
  (
    await app.http
      .post('/api/shelf')
      .send({ partId: SPEAKER, place: 'A3', pieces: 6, from: '', jobId: null, ...state })
      .expect(200)
  ).body;
const pdfOf = async (asked: object): Promise<Buffer> =>
  (
    await app.http
      .get('/api/labels')
      .query({ ...SHEETS['3x7'], ...asked })
      .buffer(true)
      .expect(200)
  ).body;

type Read = { readonly page: number; readonly kind: string; readonly code: string };

/** What a scanner reads off each page, and the words on it. */
function printed(pdf: Buffer): { codes: Read[]; words: string; sizes: string } {
  const file = path.join(dir, 'labels.pdf');
  writeFileSync(file, pdf);
  for (const old of readdirSync(dir).filter((name) => name.endsWith('.png'))) rmSync(path.join(dir, old));
  execFileSync('pdftoppm', ['-r', String(DPI), '-gray', '-png', file, path.join(dir, 'page')]);
  const pages = readdirSync(dir)
    .filter((name) => name.endsWith('.png'))
    .sort();
  const codes = pages.flatMap((name, page) =>
    execFileSync('zbarimg', ['--quiet', path.join(dir, name)], {
      encoding: 'utf8',
      stdio: ['ignore', 'pipe', 'ignore'],
    })
      .trim()
      .split('\n')
      .map((line) => ({ page, kind: line.split(':')[0] ?? '', code: line.slice(line.indexOf(':') + 1) })),
  );
  const info = execFileSync('pdfinfo', [file], { encoding: 'utf8' });
  return {
    codes,
    words: execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' }),
    sizes: /Page size:\s*(.*)/.exec(info)?.[1] ?? '',
  };
}

/** What a scanner reads that is held over one label. */
function onLabel(pdf: Buffer, { page, xMm, yMm }: LabelPlace): string {
  const file = path.join(dir, 'one.pdf');
  writeFileSync(file, pdf);
  const { widthMm, heightMm } = SHEETS['3x7'];
  const dots = (mm: number) => String(Math.round((mm / 25.4) * DPI));
  const box = ['-x', dots(xMm), '-y', dots(yMm), '-W', dots(widthMm), '-H', dots(heightMm)];
  const pages = ['-f', String(page + 1), '-l', String(page + 1), '-singlefile'];
  execFileSync('pdftoppm', ['-r', String(DPI), '-gray', '-png', ...pages, ...box, file, path.join(dir, 'one')]);
  return execFileSync('zbarimg', ['--quiet', path.join(dir, 'one.png')], { encoding: 'utf8' }).trim();
}

describe('what is printed is read', () => {
  test('a part: its code, its name and what it is, on paper of its size', async () => {
    const { codes, words, sizes } = printed(await pdfOf({ of: 'part', id: SPEAKER }));
    expect(codes).toEqual([{ page: 0, kind: 'QR-Code', code: SPEAKER }]);
    expect(words).toContain('Tide 6½');
    expect(words).toContain('Skerrivar');
    expect(sizes).toContain('A4');
  });

  test('every lot that is found, each on its own label, from the one that is still there, onto as many sheets as it takes', async () => {
    const lots: ShelfLot[] = [];
    for (let at = 1; at <= 6; at++) lots.push(await put({ place: `A${at}`, pieces: at }));
    const pdf = await pdfOf({ of: 'lots', find: 'tide', first: 19 });
    const places = labelPlaces(SHEETS['3x7'], lots.length, 19);
    expect(places.map(({ page }) => page)).toEqual([0, 0, 0, 1, 1, 1]);
    expect(places.map((place) => onLabel(pdf, place))).toEqual(lots.map(({ number }) => `QR-Code:S${number}`));
    const [one] = lots;
    const thrice = await pdfOf({ of: 'lots', id: one?.id, copies: 3 });
    for (const place of labelPlaces(SHEETS['3x7'], 3, 1))
      expect(onLabel(thrice, place)).toBe(`QR-Code:S${one?.number}`);
  });

  test.each(Object.entries(SHEETS))('bars of a lot on labels of %s', async (_, sheet) => {
    const { number } = await put({ partId: 'spk-wrackline-shoal-65', place: 'bars' });
    const { codes } = printed(await pdfOf({ ...sheet, of: 'lots', find: 'bars', symbol: 'code128' }));
    expect(codes).toContainEqual({ page: 0, kind: 'CODE-128', code: `S${number}` });
    expect(codes.every(({ kind }) => kind === 'CODE-128')).toBe(true);
  });

  test('a job’s bag says the car and whose it is', async () => {
    const { job } = await app.jobNumber(3);
    const { codes, words } = printed(await pdfOf({ of: 'job', id: job.id, ...SHEETS['3x10'] }));
    expect(codes).toEqual([{ page: 0, kind: 'QR-Code', code: 'J3' }]);
    expect(words).toContain('FERRY 16');
    expect(words).toContain('Brackwell Ferryman');
  });

  test('names in other letters, and longer than a label, stay on it', async () => {
    const { body: part } = await app.http.get(`/api/parts/${SPEAKER}`).expect(200);
    const name = `Łódź Ọ̀ 日本 ${'very long '.repeat(6)}`.trim();
    await app.http
      .put(`/api/parts/${SPEAKER}`)
      .send({ version: part.version, record: { ...part.record, name } })
      .expect(200);
    const { codes, words } = printed(await pdfOf({ of: 'part', id: SPEAKER }));
    expect(codes).toMatchObject([{ code: SPEAKER }]);
    expect(words).toContain('Łódź');
    expect(words).toContain('…');
  });
});

test('letters come from the font that has them, and one that none has is a question mark', () => {
  expect(runsOf('6½ Łódź ₫日', 700)).toEqual([
    { font: 'latin 700', text: '6½ ' },
    { font: 'latin-ext 700', text: 'Ł' },
    { font: 'latin 700', text: 'ód' },
    { font: 'latin-ext 700', text: 'ź' },
    { font: 'latin 700', text: ' ' },
    { font: 'latin-ext 700', text: '₫' },
    { font: 'latin 700', text: '?' },
  ]);
});

describe('symbols against their standards', () => {
  const box = labelLayout({ widthMm: 210, heightMm: 60 }, 'code128').symbol;
  const bars = (code: string) =>
    drawSymbol('code128', code, box).map(({ xMm, widthMm }) => [xMm, xMm + widthMm] as const);
  /** Widths of bars and spaces in elements, as a string. */
  const elements = (code: string) => {
    const found = bars(code);
    const one = Math.min(...found.map(([from, to]) => to - from));
    const edges = found.flat();
    return edges.slice(1).map((edge, at) => Math.round((edge - (edges[at] as number)) / one));
  };

  test('Code 128: start, one symbol a letter, check and stop are 11, 11, 11 and 13 elements (ISO/IEC 15417)', () => {
    const all = elements('PJJ123C').reduce((sum, width) => sum + width, 0);
    expect(all).toBe(11 + 7 * 11 + 11 + 13);
  });

  test('the check symbol of PJJ123C is that of the value 54, a V: the worked example that the standard’s articles give', () => {
    // (103 + 1·48 + 2·42 + 3·42 + 4·17 + 5·18 + 6·19 + 7·35) mod 103 = 54 with start A; in set B 54 is the letter V.
    const check = (code: string) => elements(code).slice(-13, -7).join('');
    const letter = (code: string, at: number) =>
      elements(code)
        .slice(6 * (at + 1), 6 * (at + 2))
        .join('');
    // With start B the sum is one more.
    expect((104 + 1 * 48 + 2 * 42 + 3 * 42 + 4 * 17 + 5 * 18 + 6 * 19 + 7 * 35) % 103).toBe(55);
    expect(check('PJJ123C')).toBe(letter('W', 0));
  });

  test.each([
    [14, 21],
    [15, 25],
    [26, 25],
    [27, 29],
    [42, 29],
    [43, 33],
    [62, 33],
    [63, 37],
    [84, 37],
  ])('QR code at level M: %i bytes take %i squares a side (ISO/IEC 18004, table 7)', (bytes, side) => {
    const wide = labelLayout({ widthMm: 200, heightMm: 200 }, 'qr').symbol;
    const dark = drawSymbol('qr', 'a'.repeat(bytes), wide);
    const square = Math.min(...dark.map(({ heightMm }) => heightMm));
    const from = Math.min(...dark.map(({ yMm }) => yMm));
    const to = Math.max(...dark.map(({ yMm, heightMm }) => yMm + heightMm));
    expect(Math.round((to - from) / square)).toBe(side);
    expect(from / square).toBeCloseTo(4);
  });
});

describe('what cannot be', () => {
  test.each<[string, object, number, string]>([
    [
      'bars too thin to be read',
      { of: 'part', id: SPEAKER, symbol: 'code128' },
      422,
      'Choose a QR code, or wider labels',
    ],
    ['a column over the edge', { of: 'part', id: SPEAKER, columns: 4 }, 400, 'The last column ends at 268.7 mm'],
    ['nothing that was found', { of: 'lots', find: 'nobody has this' }, 422, 'No lot on the shelf has'],
    ['more than are made at once', { of: 'part', id: SPEAKER, copies: 501 }, 400, ''],
    ['no such part', { of: 'part', id: 'spk-nobody-has' }, 404, ''],
    ['no such job', { of: 'job', id: '00000000-0000-4000-8000-00000000dead' }, 404, ''],
  ])('%s is said, and nothing is printed', async (_, asked, status, says) => {
    const { body } = await app.http
      .get('/api/labels')
      .query({ ...SHEETS['3x7'], ...asked })
      .expect(status);
    expect(JSON.stringify(body)).toContain(says);
  });
});

describe('a code that was read', () => {
  const read = async (code: string) => (await app.http.get('/api/codes').query({ code }).expect(200)).body;

  test('leads to the lot, the job, the part by its id, a number or another name, in whatever letters', async () => {
    const lot = await put({ partId: 'spk-wrackline-shoal-65', place: 'B7' });
    expect(await read(`s${lot.number}`)).toMatchObject({ lot: { id: lot.id, label: 'Wrackline Shoal 65' }, parts: [] });
    expect(await read('J3')).toMatchObject({ lot: null, job: { number: 3, registration: 'FERRY 16' } });
    expect(await read('SPK-WRACKLINE-SHOAL-65')).toMatchObject({ parts: [{ id: 'spk-wrackline-shoal-65' }] });
    expect(await read('ns-1007')).toMatchObject({ parts: [{ id: SPEAKER }] });
  });

  test('what is only part of a number, or of nothing, is nothing', async () => {
    for (const code of ['NS-100', 'S999999', 'J0', '%', 'wrackline'])
      expect(await read(code)).toEqual({ lot: null, job: null, parts: [] });
  });
});
