/** The order list as CSV (RFC 4180), one line a part, with a byte order mark so that spreadsheets read the accents. */
import type { OrderAnswer } from '@low-quarry/core/contracts/orders';
import { stringify } from 'csv-stringify/sync';

const BYTE_ORDER_MARK = '\uFEFF';

export function writeOrderCsv({ lines, currency }: OrderAnswer): string {
  const header = [
    'Supplier',
    'Maker',
    'Part',
    'Part id',
    'Pieces needed',
    'Pack size',
    'Packs',
    'Left over',
    `Price per pack (${currency})`,
    `Cost (${currency})`,
    'For',
    'Open checks',
    'Old speaker not tested, assumed',
  ];
  const rows = lines.map((line) => [
    line.supplier,
    line.maker,
    line.name,
    line.partId,
    line.pieces,
    line.packSize,
    line.packs,
    line.leftOver,
    toMajor(line.packPriceMinor),
    toMajor(line.costMinor),
    line.forOpenings.join('; '),
    line.open.join('; '),
    line.assumed.join('; '),
  ]);
  // A part's name that starts like a formula must not be run by the spreadsheet that opens the file.
  return BYTE_ORDER_MARK + stringify([header, ...rows], { escape_formulas: true, record_delimiter: '\r\n' });
}

function toMajor(minor: number): string {
  return (minor / 100).toFixed(2);
}
