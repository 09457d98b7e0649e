/**
 * Makes the picture of a file ready to be kept, off the screen's thread: turned upright, no larger than need be, and drawn anew from its
 * pixels, so that neither place nor serial number is in what lies on the device and goes over the network. The server does the same again.
 */
import { LONGEST_PX, MOST_FILE_MB, MOST_PIXELS, pictureKind } from '@low-quarry/core/photo';
import { expose, transfer } from 'comlink';
import { imageSize } from 'image-size';

const QUALITY = 0.86;
const CANNOT =
  'This browser cannot read the picture: it may be damaged. Open it on the device that took it, and try again.';

/** The picture as JPEG; null where it is not taken, with why and what would do. */
export type Prepared = { readonly jpeg: ArrayBuffer | null; readonly why: string };

const worker = {
  /** Answers once it is here. */
  async isReady(): Promise<true> {
    return true;
  },
  async prepare(file: Blob): Promise<Prepared> {
    const mb = file.size / 1e6;
    if (mb > MOST_FILE_MB)
      return fail(
        `The file has ${Math.round(mb)} MB, and up to ${MOST_FILE_MB} MB are taken: send a smaller copy of it.`,
      );
    const bytes = new Uint8Array(await file.arrayBuffer());
    const kind = pictureKind(bytes);
    if (!kind.ok) return fail(kind.failure);
    const pixels = pixelsOf(bytes);
    if (pixels === null) return fail(CANNOT);
    if (pixels > MOST_PIXELS)
      return fail(
        `The picture has ${Math.round(pixels / 1e6)} million pixels, and up to ${MOST_PIXELS / 1e6} million are taken.`,
      );
    try {
      const jpeg = await drawn(file);
      return transfer({ jpeg, why: '' }, [jpeg]);
    } catch {
      return fail(CANNOT);
    }
  },
};
export type PictureWorker = typeof worker;

function fail(why: string): Prepared {
  return { jpeg: null, why };
}

/** As the file says, before anything of it is unpacked; null where it does not. */
function pixelsOf(bytes: Uint8Array): number | null {
  try {
    const { width, height } = imageSize(bytes);
    return width * height;
  } catch {
    return null;
  }
}

async function drawn(file: Blob): Promise<ArrayBuffer> {
  const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' });
  const scale = Math.min(1, LONGEST_PX / Math.max(bitmap.width, bitmap.height));
  const [width, height] = [Math.round(bitmap.width * scale), Math.round(bitmap.height * scale)];
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d', { alpha: false });
  if (!context) throw new Error('pictureWorker: expected a canvas to draw on, got none');
  // Paper behind what is transparent.
  context.fillStyle = '#ffffff';
  context.fillRect(0, 0, width, height);
  context.imageSmoothingQuality = 'high';
  context.drawImage(bitmap, 0, 0, width, height);
  bitmap.close();
  return (await canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY })).arrayBuffer();
}

expose(worker);
