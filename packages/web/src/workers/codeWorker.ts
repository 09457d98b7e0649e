/** Looks for a code in what the camera sees, off the screen's thread. */
import {
  BarcodeFormat,
  BinaryBitmap,
  DecodeHintType,
  HybridBinarizer,
  MultiFormatReader,
  RGBLuminanceSource,
} from '@zxing/library';
import { expose } from 'comlink';

/** Those of our own labels, and those that makers print on boxes. */
const FORMATS = [
  BarcodeFormat.QR_CODE,
  BarcodeFormat.CODE_128,
  BarcodeFormat.EAN_13,
  BarcodeFormat.EAN_8,
  BarcodeFormat.UPC_A,
  BarcodeFormat.CODE_39,
];

const reader = new MultiFormatReader();
reader.setHints(
  new Map<DecodeHintType, unknown>([
    [DecodeHintType.POSSIBLE_FORMATS, FORMATS],
    [DecodeHintType.TRY_HARDER, true],
  ]),
);

const worker = {
  /** @param pixels red, green, blue and alpha, row by row; what is read, or null where there is no code */
  async read(pixels: ArrayBuffer, width: number, height: number): Promise<string | null> {
    const source = new RGBLuminanceSource(greyOf(new Uint8ClampedArray(pixels)), width, height);
    try {
      return reader.decodeWithState(new BinaryBitmap(new HybridBinarizer(source))).getText();
    } catch {
      // None there, or one that is cut off or blurred: the next picture may be a better one.
      return null;
    }
  },
};
export type CodeWorker = typeof worker;

/** By ITU-R BT.601. */
function greyOf(pixels: Uint8ClampedArray): Uint8ClampedArray {
  const grey = new Uint8ClampedArray(pixels.length / 4);
  for (let at = 0; at < grey.length; at++) {
    const from = at * 4;
    grey[at] =
      0.299 * (pixels[from] as number) + 0.587 * (pixels[from + 1] as number) + 0.114 * (pixels[from + 2] as number);
  }
  return grey;
}

expose(worker);
