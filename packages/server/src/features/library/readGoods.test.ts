import { cp, mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import { PART_KINDS, toFitCatalogue, toListedPart } from '@low-quarry/core/catalogue';
import { readStored, toStored } from '@low-quarry/core/records';
import type { Logger } from 'pino';
import { STARTER_DIR } from '../../testing/testDatabase';
import { readGoods } from './readGoods';

let dir: string;
let error: ReturnType<typeof jest.fn>;
let log: Logger;
beforeEach(async () => {
  dir = await mkdtemp(path.join(tmpdir(), 'goods-'));
  await cp(STARTER_DIR, dir, { recursive: true });
  error = jest.fn();
  log = { error } as unknown as Logger;
});
afterEach(() => rm(dir, { recursive: true }));

const text = () => readFile(path.join(dir, 'goods.json'), 'utf8');

test('what the program came with is read, listed, and no part of any fit', async () => {
  const goods = await readGoods(dir, log);
  expect(error).not.toHaveBeenCalled();
  expect(goods?.parts.length).toBeGreaterThan(30);
  for (const part of goods?.parts ?? []) {
    expect(PART_KINDS).toContain(part.kind);
    expect(toListedPart(part)).toMatchObject({ id: part.id, kind: part.kind, name: part.name });
    expect(readStored('part', JSON.parse(JSON.stringify(toStored('part', part))))).toEqual({ ok: true, value: part });
  }
  expect(toFitCatalogue(goods?.parts ?? [])).toEqual({ speakers: [], brackets: [], spacers: [], adapters: [] });
});

test('what stands in a name is what stands in its fields', async () => {
  for (const part of (await readGoods(dir, log))?.parts ?? []) {
    const figures = part.name.match(/\d+(\.\d+)?/g)?.map(Number) ?? [];
    const { name: _, id: __, ...rest } = part;
    const values = Object.values(rest).flatMap(
      (value) =>
        String(value)
          .match(/\d+(\.\d+)?/g)
          ?.map(Number) ?? [],
    );
    // A ring for M6 has a hole that is a little wider.
    if (part.kind === 'terminal' && part.type === 'ring') continue;
    for (const figure of figures) expect(values).toContain(figure);
  }
});

const changed = (kind: string, changes: object) => (json: string) => {
  const pack = JSON.parse(json);
  const at = pack.parts.findIndex((part: { kind: string }) => part.kind === kind);
  Object.assign(pack.parts[at], changes);
  return JSON.stringify(pack);
};

test.each<[string, (json: string) => string, string]>([
  ['a size that is none', changed('fastener', { diameterMm: 'thick' }), 'diameterMm'],
  ['a wire from more to less', changed('terminal', { wireToMm2: 0.2 }), 'wireToMm2'],
  ['a type that nobody knows', changed('panelClip', { type: 'hook' }), 'type'],
  ['a wire without a conductor', changed('wire', { conductors: 0 }), 'conductors'],
  ['a sheet without a thickness', changed('sheet', { thicknessMm: 0 }), 'thicknessMm'],
  ['a file cut short', (json) => json.slice(0, 400), 'goods.json'],
])('%s: the shop starts without them, and the log names the place', async (_name, broken, named) => {
  await writeFile(path.join(dir, 'goods.json'), broken(await text()));
  expect(await readGoods(dir, log)).toBeNull();
  expect(JSON.stringify(error.mock.calls)).toContain(named);
});
