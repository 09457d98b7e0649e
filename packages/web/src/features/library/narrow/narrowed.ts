/** What a list of parts is narrowed by, put in order by, and shows, as the address has it. */
import {
  type FigureRanges,
  NOMINAL_SIZES,
  RANGED,
  type Ranged,
  readRanges,
  SPEAKER_KINDS,
  writeRanges,
} from '@low-quarry/core/catalogue';
import { OPEN_FIGURES } from '@low-quarry/core/contracts/findParts';
import { readStored, writeStored } from '../../../device/stored';

export type Narrowed = {
  readonly open: (typeof OPEN_FIGURES)[number] | null;
  readonly ranges: FigureRanges;
  readonly size: (typeof NOMINAL_SIZES)[number] | null;
  readonly speakerKind: (typeof SPEAKER_KINDS)[number] | null;
  readonly isMade: boolean;
  readonly by: Ranged | null;
  readonly order: 'up' | 'down';
  readonly columns: readonly Ranged[];
};

const COLUMNS_KEY = 'parts.columns';

/** What is none of what it may be is as if nothing stood there; columns that are not named are those of last time. */
export function readNarrowed(search: URLSearchParams): Narrowed {
  const one = <Value extends string>(name: string, of: readonly Value[]) =>
    of.find((each) => each === search.get(name)) ?? null;
  return {
    open: one('open', OPEN_FIGURES),
    ranges: readRanges(search.get('within') ?? '') ?? {},
    size: one('size', NOMINAL_SIZES),
    speakerKind: one('speakerKind', SPEAKER_KINDS),
    isMade: search.get('made') === 'still',
    by: one('by', RANGED),
    order: search.get('order') === 'down' ? 'down' : 'up',
    columns: columnsIn(search.get('columns') ?? readStored(COLUMNS_KEY) ?? ''),
  };
}

/** As the shop is asked, with the order. */
export function askedOf(narrowed: Narrowed) {
  const { by, order } = narrowed;
  return { ...factsOf(narrowed), ...(by && { by, order }) };
}

/** As the shop is asked. */
export function factsOf({ open, ranges, size, speakerKind, isMade }: Narrowed) {
  const within = writeRanges(ranges);
  return {
    ...(open && { open }),
    ...(within && { within }),
    ...(size && { size }),
    ...(speakerKind && { speakerKind }),
    ...(isMade && { made: 'still' as const }),
  };
}

/** Keeps them for the next list on this device. @returns as the address has them */
export function keepColumns(columns: readonly Ranged[]): string {
  const text = columns.join(',');
  writeStored(COLUMNS_KEY, text);
  return text;
}

/** Whether anything but words and the kind narrows the list. */
export function narrows({ open, ranges, size, speakerKind, isMade }: Narrowed): boolean {
  return open !== null || Object.keys(ranges).length > 0 || size !== null || speakerKind !== null || isMade;
}

function columnsIn(text: string): readonly Ranged[] {
  const named = text.split(',');
  return RANGED.filter((each) => named.includes(each));
}
