/**
 * Reads a tar (POSIX.1-2001, ustar interchange format) from a file on the disk, entry by entry, each from where it stands. What
 * is read is bounded by the file's own length, so that whatever the bytes say, it comes to an end. GNU tar's archives are read
 * as far as they are plain: an archive that somebody unpacked and packed again is still one; links, devices and everything else
 * that is no file are refused.
 */
import type { FileHandle } from 'node:fs/promises';

const BLOCK = 512;
/** Plain files: `0`, and NUL as old programs write it. */
const FILE = /^[0\0]$/;
/** Extended headers (pax), which say more about the entry that follows, and folders: nothing of them is needed. */
const PASSED_OVER = /^[xg5]$/;

export type TarEntry = { readonly name: string; readonly start: number; readonly bytes: number };

/** A tar that is not one, or is damaged: in words that follow "The backup is damaged: ". */
export class TarError extends Error {}

/** @throws TarError */
export async function listTar(file: FileHandle): Promise<readonly TarEntry[]> {
  const { size } = await file.stat();
  const entries: TarEntry[] = [];
  const header = Buffer.alloc(BLOCK);
  for (let at = 0; at < size; ) {
    const { bytesRead } = await file.read(header, 0, BLOCK, at);
    if (bytesRead < BLOCK) throw new TarError('it ends in the middle.');
    // Two blocks of nothing end it; what follows is padding.
    if (header.every((byte) => byte === 0)) return entries;
    requireChecksum(header);
    const type = header.toString('latin1', 156, 157);
    const bytes = readSize(header);
    const start = at + BLOCK;
    if (start + bytes > size) throw new TarError('it ends in the middle.');
    if (FILE.test(type)) entries.push({ name: readName(header), start, bytes });
    else if (!PASSED_OVER.test(type)) throw new TarError(`it holds something that is no file ("${readName(header)}").`);
    at = start + Math.ceil(bytes / BLOCK) * BLOCK;
    await requirePadding(file, start + bytes, Math.min(at, size));
  }
  if (size === 0) return entries;
  throw new TarError('its end is missing.');
}

/** What fills an entry's last block is nothing: every byte of an archive is guarded by something. */
async function requirePadding(file: FileHandle, from: number, to: number): Promise<void> {
  const padding = Buffer.alloc(to - from);
  if (padding.length > 0) await file.read(padding, 0, padding.length, from);
  if (padding.some((byte) => byte !== 0)) throw new TarError('it cannot be read as an archive.');
}

/** The sum of all bytes, those of the sum itself counted as blanks. */
function requireChecksum(header: Buffer): void {
  let sum = 0;
  for (const [at, byte] of header.entries()) sum += at >= 148 && at < 156 ? 0x20 : byte;
  if (readOctal(header, 148, 156) !== sum) throw new TarError('it cannot be read as an archive.');
}

function readName(header: Buffer): string {
  const text = (from: number, to: number) => {
    const bytes = header.subarray(from, to);
    const end = bytes.indexOf(0);
    return bytes.toString('utf8', 0, end === -1 ? bytes.length : end);
  };
  const isUstar = header.toString('latin1', 257, 263) === 'ustar\0';
  const prefix = isUstar ? text(345, 500) : '';
  const name = prefix === '' ? text(0, 100) : `${prefix}/${text(0, 100)}`;
  return name.replace(/^\.\//, '');
}

/** Octal, or, for what is larger than eight gigabytes, binary with the first bit set (GNU tar). */
function readSize(header: Buffer): number {
  if (((header[124] ?? 0) & 0x80) === 0) return readOctal(header, 124, 136);
  const size = header.readBigUInt64BE(128);
  if (size > BigInt(Number.MAX_SAFE_INTEGER)) throw new TarError('an entry has no size that could be.');
  return Number(size);
}

function readOctal(header: Buffer, from: number, to: number): number {
  const digits = header
    .toString('latin1', from, to)
    .replace(/[\0 ]+$/, '')
    .trim();
  if (!/^[0-7]{1,12}$/.test(digits)) throw new TarError('it cannot be read as an archive.');
  return Number.parseInt(digits, 8);
}
