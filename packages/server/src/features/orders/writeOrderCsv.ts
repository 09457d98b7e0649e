/** The order list as CSV (RFC 4180), one line a part. */
import type { OrderAnswer } from '@low-quarry/core/contracts/orders';
import { lotCode } from '@low-quarry/core/model';
import { csvText } from '../../http/csvText';

const NOBODY = 'nobody known to sell it';
const SHELF = 'all on the shelf';

export function writeOrderCsv({ lines, currency }: OrderAnswer): string {
  const header = [
    'Supplier',
    "Supplier's number",
    'Maker',
    'Part',
    'Part id',
    'Pieces needed',
    'Of these from the shelf',
    'Lying at',
    'Pack size',
    'Packs',
    'Left over',
    'Price per pack',
    'Cost',
    'Currency',
    'Working days until here',
    'For',
    'Open checks',
    'Old speaker not tested, assumed',
  ];
  const rows = lines.map(({ taken, ...line }) => [
    taken?.offer.supplier ?? (line.aside === line.pieces ? SHELF : NOBODY),
    taken?.offer.number,
    line.maker,
    line.name,
    line.partId,
    line.pieces,
    line.aside,
    line.lots
      .filter(({ jobId }) => jobId !== null)
      .map(({ number, place }) => `${lotCode(number)} ${place}`)
      .join('; '),
    taken?.offer.packSize,
    taken?.packs,
    taken?.leftOver,
    toMajor(taken?.offer.packPriceMinor),
    toMajor(taken?.costMinor),
    taken ? (taken.offer.currency ?? currency) : null,
    taken?.offer.leadDays,
    line.forOpenings.join('; '),
    line.open.join('; '),
    line.assumed.join('; '),
  ]);
  return csvText([header, ...rows]);
}

/** A cell is empty where nobody knows. */
function toMajor(minor: number | null | undefined): string | null {
  return minor == null ? null : (minor / 100).toFixed(2);
}
