/**
 * What a file is by its first bytes: neither its name nor what a browser says of it counts, for both can be anything.
 * Signatures: JPEG by ITU-T T.81, B.1.1.3 (SOI and a marker); PNG by the PNG specification (third edition), 5.2; WebP by its container
 * specification (RIFF with "WEBP"); ISO base media files by ISO/IEC 14496-12, 4.3 ("ftyp" and a brand).
 */
import { fail, ok, type Result } from '../result';

export type PictureKind = 'jpeg' | 'png' | 'webp';
export const PICTURE_WORDS: Readonly<Record<PictureKind, string>> = {
  jpeg: 'The JPEG picture',
  png: 'The PNG picture',
  webp: 'The WebP picture',
};

const LOOKED_AT = 64;

/**
 * @param bytes the beginning of the file, 64 bytes or more of it
 * @returns the kind, or why it is not taken and what would do
 */
export function pictureKind(bytes: Uint8Array): Result<PictureKind, string> {
  const text = String.fromCharCode(...bytes.subarray(0, LOOKED_AT));
  if (bytes.length === 0) return fail('The file is empty: pick a photo as JPEG, PNG or WebP.');
  if (text.startsWith('\xff\xd8\xff')) return ok('jpeg');
  if (text.startsWith('\x89PNG\r\n\x1a\n')) return ok('png');
  if (text.startsWith('RIFF') && text.slice(8, 12) === 'WEBP') return ok('webp');
  return fail(`This is ${otherKind(text)}. Pick a photo as JPEG, PNG or WebP.`);
}

function otherKind(text: string): string {
  if (text.slice(4, 8) === 'ftyp') {
    return /^(hei|hev|mif1|msf1)/.test(text.slice(8, 12))
      ? 'a picture as HEIC, which is not taken: set the camera to JPEG ("most compatible")'
      : 'a film or a picture of a kind that is not taken';
  }
  if (/^\s*(<\?xml|<svg|<!doctype|<html|<script)/i.test(text.replace(/^\xef\xbb\xbf/, '')))
    return 'a page or a drawing, which may hold a program, and no photo';
  if (/^(MZ|\x7fELF|#!)/.test(text)) return 'a program, and no photo';
  if (text.startsWith('GIF8')) return 'a GIF picture, which is not taken';
  if (text.startsWith('%PDF')) return 'a PDF, and no photo';
  return 'no picture, whatever its name says';
}
