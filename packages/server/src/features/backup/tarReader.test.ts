/** Against GNU tar, and against whatever bytes there are. */

import { execFileSync } from 'node:child_process';
import { linkSync, mkdirSync, mkdtempSync, rmSync, symlinkSync, truncateSync, writeFileSync } from 'node:fs';
import { open, writeFile } from 'node:fs/promises';
import os from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { fuzzed } from '@low-quarry/core/testing/fuzzed';
import fc from 'fast-check';
import { listTar, type TarEntry, TarError } from './tarReader';

let dir: string;
beforeAll(() => {
  dir = mkdtempSync(path.join(os.tmpdir(), 'low-quarry-tar-'));
  writeFileSync(path.join(dir, 'one'), 'first\n');
  writeFileSync(path.join(dir, 'two'), Buffer.alloc(1500, 7));
  writeFileSync(path.join(dir, 'empty'), '');
  mkdirSync(path.join(dir, 'folder'));
  symlinkSync('one', path.join(dir, 'symbolic'));
  linkSync(path.join(dir, 'one'), path.join(dir, 'hard'));
  writeFileSync(path.join(dir, 'x'.repeat(120)), 'long name');
  writeFileSync(path.join(dir, 'sparse'), '');
  truncateSync(path.join(dir, 'sparse'), 4_000_000);
});
afterAll(() => rmSync(dir, { recursive: true }));

const tar = (...args: string[]) => execFileSync('tar', ['-C', dir, '-cf', '-', ...args], { maxBuffer: 1e8 });

async function list(bytes: Buffer): Promise<readonly (TarEntry & { readonly text: string })[]> {
  const file = path.join(dir, 'read.tar');
  await writeFile(file, bytes);
  const handle = await open(file);
  try {
    return (await listTar(handle)).map((entry) => ({
      ...entry,
      text: bytes.toString('latin1', entry.start, entry.start + entry.bytes),
    }));
  } finally {
    await handle.close();
  }
}

describe.each(['ustar', 'gnu', 'posix', 'v7', 'oldgnu'])('as GNU tar writes it in the format %s', (format) => {
  test('files are found with what is in them', async () => {
    const entries = await list(tar(`--format=${format}`, 'one', 'empty', 'two'));
    expect(entries.map(({ name, bytes }) => [name, bytes])).toEqual([
      ['one', 6],
      ['empty', 0],
      ['two', 1500],
    ]);
    expect(entries[0]?.text).toBe('first\n');
  });

  test('packed again from a folder, its own entry is passed over', async () => {
    expect((await list(tar(`--format=${format}`, './folder', './one'))).map(({ name }) => name)).toEqual(['one']);
  });

  test.each(['symbolic', 'hard'])('a %s link is refused', async (link) => {
    await expect(list(tar(`--format=${format}`, 'one', link))).rejects.toThrow(TarError);
  });
});

test('what says more than ustar can say is refused, not guessed at', async () => {
  await expect(list(tar('--format=gnu', 'x'.repeat(120)))).rejects.toThrow('no file');
  await expect(list(tar('--format=gnu', '--sparse', 'sparse'))).rejects.toThrow('no file');
  await expect(list(execFileSync('tar', ['-C', dir, '-czf', '-', 'one']))).rejects.toThrow(TarError);
});

test('cut short anywhere, or with any one byte changed, it comes to an end', async () => {
  const whole = tar('--format=ustar', '--blocking-factor=1', 'one', 'two');
  for (let length = 1; length < whole.length - 1024; length += 97)
    await expect(list(whole.subarray(0, length))).rejects.toThrow(TarError);
  for (let at = 0; at < 512; at++) {
    const bad = Buffer.from(whole);
    bad[at] = (bad[at] as number) ^ 0x55;
    // The sum of the header guards each of its bytes.
    await expect(list(bad)).rejects.toThrow(TarError);
  }
});

test('whatever bytes there are, it comes to an end within them', async () => {
  await fc.assert(
    fc.asyncProperty(fc.uint8Array({ maxLength: 4096 }), async (bytes) => {
      const found = await list(Buffer.from(bytes)).catch((error: unknown) => {
        expect(error).toBeInstanceOf(TarError);
        return [];
      });
      for (const { start, bytes: size } of found) expect(start + size).toBeLessThanOrEqual(bytes.length);
    }),
    fuzzed(300),
  );
});
