/**
 * What stands in the cells of a supplier's list: amounts with the decimal sign of wherever it comes from, packs, days and stock in words.
 * Whatever is not understood is told with what was read and what would do.
 */
import { fail, ok, type Result } from '../result';

/** Which sign the decimals of a column stand behind. */
export type DecimalSign = ',' | '.';

const MOST_SHOWN = 24;
/** What people write where they have nothing to say. */
const NOTHING = /^(|-+|–|—|\?|n\/?a|nil|none|tba|tbc|on request|auf anfrage|call|p\.?o\.?a\.?)$/i;
const SYMBOLS: Readonly<Record<string, string>> = { '€': 'EUR', '£': 'GBP', $: 'USD', '¥': 'JPY' };

/** As it is read: blanks of every kind as one, none around it, and without the apostrophe that keeps a spreadsheet from running it. */
export function tidyCell(text: string): string {
  return text
    .replace(/[\s\u00a0\u202f\u2007]+/g, ' ')
    .trim()
    .replace(/^'(?=[=+\-@])/, '');
}

export function isNothing(text: string): boolean {
  return NOTHING.test(tidyCell(text));
}

/** Such as `"12,50 each"`, cut to what can be shown. */
export function shown(text: string): string {
  const tidy = tidyCell(text);
  return `“${tidy.length > MOST_SHOWN ? `${tidy.slice(0, MOST_SHOWN)}…` : tidy}”`;
}

/**
 * The decimal sign that a column of amounts has: the one that has one or two figures behind it, or stands last of two.
 *
 * @returns null where no cell tells
 */
export function decimalSignOf(cells: readonly string[]): DecimalSign | null {
  const votes = { ',': 0, '.': 0 };
  for (const cell of cells) {
    const [, sign] = /([.,])\d{1,2}(?!\d)[^\d.,]*$/.exec(tidyCell(cell)) ?? [];
    if (sign) votes[sign as DecimalSign]++;
    // Two of one sign, or one before another: it is for thousands, and the other one is for decimals.
    else if (/\d[.]\d{3}([.]\d{3})+(?!\d)/.test(cell)) votes[',']++;
    else if (/\d[,]\d{3}([,]\d{3})+(?!\d)/.test(cell)) votes['.']++;
  }
  if (votes[','] === votes['.']) return null;
  return votes[','] > votes['.'] ? ',' : '.';
}

export type Amount = {
  readonly minor: number;
  /** ISO 4217, where the cell names it. */
  readonly currency: string | null;
};

/**
 * An amount of money, such as `€ 1.234,50`, `12.50 EUR`, `1'299.-`.
 *
 * @param sign of the column; null where nothing told it: then three figures behind the only sign are not told from thousands
 */
export function readAmount(text: string, sign: DecimalSign | null): Result<Amount, string> {
  const refusal = `${shown(text)} was read. An amount such as 12.50 would do.`;
  const tidy = tidyCell(text);
  const named = /^(?:([A-Za-z]{3})|([€£$¥]))?\s*([^A-Za-z€£$¥]+?)\s*(?:([A-Za-z]{3})|([€£$¥]))?$/.exec(tidy);
  if (!named) return fail(refusal);
  const [, codeBefore, symbolBefore, figures = '', codeAfter, symbolAfter] = named;
  const code = codeBefore ?? codeAfter;
  const symbol = symbolBefore ?? symbolAfter;
  const number = readDecimal(figures.replace(/[.,]-+$/, ''), sign);
  if (!number.ok) return fail(number.failure === 'ambiguous' ? ambiguous(text) : refusal);
  const minor = Math.round(number.value * 100);
  if (minor < 0 || minor > 100_000_000) return fail(refusal);
  return ok({ minor, currency: code?.toUpperCase() ?? (symbol ? (SYMBOLS[symbol] ?? null) : null) });
}

function ambiguous(text: string): string {
  return `${shown(text)} was read: nothing in the column tells whether its sign is for decimals or for thousands. Say which.`;
}

function readDecimal(text: string, sign: DecimalSign | null): Result<number, 'none' | 'ambiguous'> {
  const plain = text.replace(/['’ ]/g, '');
  if (!/^\d[\d.,]*$/.test(plain)) return fail('none');
  const signs = plain.match(/[.,]/g) ?? [];
  const last = signs.at(-1) as DecimalSign | undefined;
  if (last === undefined) return ok(Number(plain));
  const isMixed = signs.some((each) => each !== last);
  const isThree = plain.length - plain.lastIndexOf(last) === 4;
  if (!isMixed && signs.length === 1 && isThree && sign === null) return fail('ambiguous');
  const isDecimal = isMixed || (signs.length === 1 && (!isThree || sign === last));
  const thousands = isDecimal ? (last === ',' ? '.' : ',') : last;
  const [whole = '', decimals = '', more] = isDecimal ? plain.split(last) : [plain];
  const [first = '', ...groups] = whole.split(thousands);
  const isGrouped = groups.length === 0 || (first.length <= 3 && groups.every((group) => group.length === 3));
  if (more !== undefined || decimals.includes(thousands) || !isGrouped) return fail('none');
  return ok(Number(`${first}${groups.join('')}.${decimals || '0'}`));
}

const PACKS: Readonly<Record<string, number>> = {
  single: 1,
  each: 1,
  piece: 1,
  stück: 1,
  pair: 2,
  paar: 2,
  paire: 2,
  set: 1,
};

/** How many pieces a pack has, such as `2`, `2 pcs`, `pair`, `10er`, `x4`. */
export function readPieces(text: string): Result<number, string> {
  const tidy = tidyCell(text).toLowerCase();
  const known = PACKS[tidy];
  if (known !== undefined) return ok(known);
  const [, figures] = /^(?:x ?)?(\d{1,4})(?: ?(?:x|er|pcs?\.?|pieces?|st(?:k|ck|ück)?\.?|units?))?$/.exec(tidy) ?? [];
  const pieces = Number(figures ?? 'none');
  if (pieces >= 1 && pieces <= 1000) return ok(pieces);
  return fail(`${shown(text)} was read. How many pieces, such as 2, would do.`);
}

const DAYS_A_WEEK = 5;

/** Working days until it is here, such as `3`, `2-4 days`, `1 week`, `24h`, `same day`: of a range the longer. */
export function readDays(text: string): Result<number, string> {
  const tidy = tidyCell(text).toLowerCase();
  if (/^(same day|today|sofort|immediate(ly)?)$/.test(tidy)) return ok(0);
  const [, from, to, unit = 'd'] =
    /^(\d{1,3})(?: ?(?:-|–|to|bis) ?(\d{1,3}))? ?(d|days?|working days?|wd|tage?|h|hours?|std|w|weeks?|wochen?)?\.?$/.exec(
      tidy,
    ) ?? [];
  const number = Number(to ?? from ?? 'none');
  const days =
    unit.startsWith('h') || unit === 'std'
      ? Math.ceil(number / 24)
      : /^(w|week|woche)/.test(unit) && unit !== 'wd' && !unit.startsWith('working')
        ? number * DAYS_A_WEEK
        : number;
  if (days >= 0 && days <= 365) return ok(days);
  return fail(`${shown(text)} was read. Working days, such as 3, would do.`);
}

/** Pieces in stock, such as `12`, `>10`, `10+`, `no`: of more than so many, so many. */
export function readStock(text: string): Result<number, string> {
  const tidy = tidyCell(text)
    .toLowerCase()
    .replace(/[.,' ](?=\d{3}(?!\d))/g, '');
  if (/^(no|nein|out of stock|sold out|0)$/.test(tidy)) return ok(0);
  const [, figures] = /^[>≥]? ?(\d{1,7}) ?\+?(?: ?(?:pcs?|pieces?|st(?:k|ück)?)\.?)?$/.exec(tidy) ?? [];
  if (figures !== undefined && Number(figures) <= 1_000_000) return ok(Number(figures));
  return fail(`${shown(text)} was read. Pieces, such as 12, would do.`);
}

/** What a spreadsheet makes of a number when it takes it for a date or for a very large figure; null where it did not. */
export function spoiltNumber(text: string): string | null {
  const tidy = tidyCell(text);
  if (/^\d(?:[.,]\d+)?E\+\d+$/i.test(tidy))
    return `${shown(text)} was read: a spreadsheet shortened a long number, and its last figures are lost.`;
  if (
    /^\d{4}-\d{2}-\d{2}$/.test(tidy) ||
    /^\d{1,2}[-. ]{1,2}(?:jan|feb|mar|mär|apr|may|mai|jun|jul|aug|sep|oct|okt|nov|dec|dez)[a-z]*\.?(?:[-. ]\d{2,4})?$/i.test(
      tidy,
    )
  )
    return `${shown(text)} was read: a spreadsheet took a number for a date.`;
  return null;
}
