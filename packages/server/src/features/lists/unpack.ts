/** What is inside a packed spreadsheet, bounded: a file that says it is small, or is not, is refused before it fills the memory. */
import { fail, ok, type Result } from '@low-quarry/core/result';
import { unzipSync } from 'fflate';
import { SaxesParser, type SaxesTagPlain } from 'saxes';

/** Text of one file within; a list of 50,000 rows and thirty columns has about 100 MB. */
const MOST_UNPACKED_MB = 160;
const MOST_FILES = 2000;
/** XML is read in pieces of so many bytes. */
const PIECE = 256 * 1024;

export type Unpacked = ReadonlyMap<string, Uint8Array>;

/** @param wanted which files within are read; nothing else is unpacked */
export function unpack(file: Uint8Array, wanted: (name: string) => boolean): Result<Unpacked, string> {
  let bytes = 0;
  let files = 0;
  try {
    const inside = unzipSync(file, {
      filter: ({ name, originalSize }) => {
        files++;
        if (!wanted(name)) return false;
        bytes += originalSize;
        return bytes <= MOST_UNPACKED_MB * 1024 * 1024 && files <= MOST_FILES;
      },
    });
    if (bytes > MOST_UNPACKED_MB * 1024 * 1024 || files > MOST_FILES)
      return fail(`Unpacked it has more than ${MOST_UNPACKED_MB} MB. Save the list alone, as CSV, and bring that in.`);
    return ok(new Map(Object.entries(inside)));
  } catch {
    return fail('It begins as a spreadsheet and is broken. Open it, save it again, and bring that in.');
  }
}

export type XmlHandlers = {
  readonly open: (name: string, attributes: SaxesTagPlain['attributes']) => void;
  readonly close: (name: string) => void;
  readonly text: (text: string) => void;
};

/** Reads XML without ever having all of it as text. No entity but XML's own five is known, so none can grow. @throws Error for what is no XML */
export function readXml(bytes: Uint8Array, { open, close, text }: XmlHandlers): void {
  const parser = new SaxesParser({ xmlns: false });
  let failed: Error | null = null;
  parser.on('error', (error) => {
    failed ??= error;
  });
  parser.on('opentag', ({ name, attributes }) => open(name, attributes));
  parser.on('closetag', ({ name }) => close(name));
  parser.on('text', text);
  const decoder = new TextDecoder();
  for (let from = 0; from < bytes.length && !failed; from += PIECE)
    parser.write(decoder.decode(bytes.subarray(from, from + PIECE), { stream: true }));
  if (!failed) parser.close();
  if (failed) throw failed;
}
