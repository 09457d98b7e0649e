/**
 * Makes of a picture that somebody sends the one that is kept: turned upright as its EXIF says, no longer than need be, always JPEG, and
 * drawn anew from its pixels. Whatever else the file held (the place, serial numbers, a thumbnail, a program behind the picture) is
 * not in it.
 */
import { LONGEST_PX, MOST_PIXELS, PICTURE_WORDS, pictureKind, SMALL_PX } from '@low-quarry/core/photo';
import { refused } from '../../http/AppError';

const QUALITY = 84;
const SMALL_QUALITY = 78;
/** The largest that is taken needs a few seconds. */
const LONGEST_S = 30;

export type CleanPicture = { readonly jpeg: Buffer; readonly widthPx: number; readonly heightPx: number };

/**
 * @param bytes JPEG, PNG or WebP, as they came
 * @throws AppError where they are no such picture, or more pixels than any camera takes
 */
export async function cleanPicture(bytes: Buffer): Promise<CleanPicture> {
  const kind = pictureKind(bytes);
  if (!kind.ok) throw notTaken(kind.failure);
  try {
    return await drawn(bytes, LONGEST_PX, QUALITY);
  } catch (error) {
    const why = error instanceof Error ? error.message.split('\n')[0] : String(error);
    throw notTaken(
      `${PICTURE_WORDS[kind.value]} is damaged, or has more than ${MOST_PIXELS / 1e6} million pixels (${why}).`,
    );
  }
}

/** The same for a list. @param jpeg as it is kept */
export async function smallPicture(jpeg: Buffer): Promise<Buffer> {
  return (await drawn(jpeg, SMALL_PX, SMALL_QUALITY)).jpeg;
}

/** Its size, read from a file that is kept. */
export async function sizeOfPicture(jpeg: Buffer): Promise<Omit<CleanPicture, 'jpeg'>> {
  const sharp = await loadSharp();
  const { width, height } = await sharp(jpeg).metadata();
  return { widthPx: width, heightPx: height };
}

/** A drawing in SVG that ships with the program, as a picture. What people send is never read as SVG. */
export async function pictureOfDrawing(svg: Buffer): Promise<Buffer> {
  const sharp = await loadSharp();
  return sharp(svg).flatten({ background: '#ffffff' }).jpeg({ quality: QUALITY }).toBuffer();
}

async function drawn(bytes: Buffer, longestPx: number, quality: number): Promise<CleanPicture> {
  const sharp = await loadSharp();
  const { data, info } = await sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
    .autoOrient()
    .resize({ width: longestPx, height: longestPx, fit: 'inside', withoutEnlargement: true })
    .flatten({ background: '#ffffff' })
    .toColourspace('srgb')
    .jpeg({ quality })
    .timeout({ seconds: LONGEST_S })
    .toBuffer({ resolveWithObject: true });
  return { jpeg: data, widthPx: info.width, heightPx: info.height };
}

/** Loaded when the first picture comes: a server's start does not wait for it. */
async function loadSharp() {
  return (await import('sharp')).default;
}

function notTaken(message: string) {
  return refused(message, [{ path: 'file', message }]);
}
