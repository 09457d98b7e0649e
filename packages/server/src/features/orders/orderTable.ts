/** The order list as a table, one row a part. */
import type { OrderAnswer } from '@low-quarry/core/contracts/orders';
import { lotCode } from '@low-quarry/core/model';
import type { Table } from '../../http/writeTable';

const NOBODY = 'nobody known to sell it';
const SHELF = 'all on the shelf';

export function orderTable({ lines, currency }: OrderAnswer): Table {
  const headings = [
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
    taken?.offer.number ?? null,
    line.maker,
    line.name,
    line.partId,
    line.pieces,
    line.aside,
    line.lots
      .filter(({ jobId }) => jobId !== null)
      .map(({ number, place }) => `${lotCode(number)} ${place}`)
      .join('; '),
    taken?.offer.packSize ?? null,
    taken?.packs ?? null,
    taken?.leftOver ?? null,
    toMajor(taken?.offer.packPriceMinor),
    toMajor(taken?.costMinor),
    taken ? (taken.offer.currency ?? currency) : null,
    taken?.offer.leadDays ?? null,
    line.forOpenings.join('; '),
    line.open.join('; '),
    line.assumed.join('; '),
  ]);
  return { name: 'Order list', headings, rows };
}

/** A cell is empty where nobody knows. */
function toMajor(minor: number | null | undefined): string | null {
  return minor == null ? null : (minor / 100).toFixed(2);
}
