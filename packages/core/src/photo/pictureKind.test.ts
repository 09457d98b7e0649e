import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { pictureKind } from './pictureKind';

const bytesOf = (text: string) => Uint8Array.from([...text].map((letter) => letter.charCodeAt(0)));

test.each([
  ['\xff\xd8\xff\xe1\x00\x18Exif\x00\x00', 'jpeg'],
  ['\xff\xd8\xff\xdb', 'jpeg'],
  ['\x89PNG\r\n\x1a\n\x00\x00\x00\rIHDR', 'png'],
  ['RIFF\x24\x00\x00\x00WEBPVP8 ', 'webp'],
])('%j is %s, whatever its name is', (begins, kind) => {
  expect(pictureKind(bytesOf(begins))).toEqual({ ok: true, value: kind });
});

test.each([
  ['', /empty/],
  ['RIFF\x24\x00\x00\x00WAVEfmt ', /no picture/],
  ['\x89PNG\n', /no picture/],
  ['\x00\x00\x00\x1cftypheic', /HEIC.*JPEG/],
  ['\x00\x00\x00\x1cftypmif1', /HEIC.*JPEG/],
  ['\x00\x00\x00\x1cftypavif', /a kind that is not taken/],
  ['\xef\xbb\xbf<?xml version="1.0"?><svg>', /may hold a program/],
  ['  <HTML>', /may hold a program/],
  ['MZ\x90\x00', /a program/],
  ['#!/bin/sh', /a program/],
  ['%PDF-1.7', /PDF/],
])('%j is refused, and says what would do', (begins, words) => {
  const kind = pictureKind(bytesOf(begins));
  expect(kind.ok ? '' : kind.failure).toMatch(words);
  expect(kind.ok ? '' : kind.failure).toMatch(/as JPEG, PNG or WebP\.$/);
});

test('any bytes are answered', () => {
  fc.assert(
    fc.property(fc.uint8Array({ maxLength: 80 }), (bytes) => {
      const kind = pictureKind(bytes);
      expect(kind.ok || kind.failure.endsWith('.')).toBe(true);
    }),
  );
});
