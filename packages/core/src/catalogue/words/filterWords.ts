/** Filters in the trade's words, such as "high-pass 3500 Hz, 12 dB" or "tweeter: high-pass 3.5 kHz, 12 dB; woofer: low-pass 3 kHz, 6 dB". */
import { fail, ok, type Result } from '../../result';
import { type Branches, branchesSchema, DB_PER_ORDER, type Filter, filterSchema } from '../filter';
import { printed, tidied, toNumber } from './figures';

const SIDE = /^(high|low)[- ]?pass(?: at)? (\d+(?:[.,]\d+)?) ?(k?)hz,? (\d+) ?db(?: ?(?:an|per|\/) ?octave)?$/;
const WOULD = 'Words such as “high-pass 3500 Hz, 12 dB” would do, with 6, 12, 18 or 24 dB an octave.';
const BRANCH = /^(tweeter|midrange|woofer) ?: ?(.*)$/;
const BRANCHES_WOULD = 'Words such as “tweeter: high-pass 3500 Hz, 12 dB; woofer: low-pass 3000 Hz, 6 dB” would do.';

export function filterWords({ highPass, lowPass }: Filter): string {
  return [
    ...(highPass ? [`high-pass ${printed(highPass.hz)} Hz, ${highPass.order * DB_PER_ORDER} dB`] : []),
    ...(lowPass ? [`low-pass ${printed(lowPass.hz)} Hz, ${lowPass.order * DB_PER_ORDER} dB`] : []),
  ].join(' and ');
}

/** @returns what was read and what would do, where the words are none */
export function readFilterWords(text: string): Result<Filter, string> {
  const filter: { -readonly [Side in keyof Filter]: Filter[Side] } = { highPass: null, lowPass: null };
  for (const part of tidied(text).split(' and ')) {
    const [, side, hz, kilo, db] = SIDE.exec(part) ?? [];
    const key = side === 'high' ? 'highPass' : 'lowPass';
    if (side === undefined || filter[key] !== null) return fail(`“${part.slice(0, 40)}” was read. ${WOULD}`);
    filter[key] = { hz: toNumber(hz) * (kilo ? 1000 : 1), order: Number(db) / DB_PER_ORDER };
  }
  const read = filterSchema.safeParse(filter);
  return read.success
    ? ok(read.data)
    : fail(`“${tidied(text).slice(0, 60)}” was read: ${read.error.issues[0]?.message} ${WOULD}`);
}

export function branchWords(branches: Branches): string {
  return branches.map(({ to, filter }) => `${to}: ${filterWords(filter)}`).join('; ');
}

/** @returns none for no words; what was read and what would do, where the words are none */
export function readBranchWords(text: string): Result<Branches, string> {
  const words = tidied(text);
  const branches: unknown[] = [];
  for (const part of words === '' ? [] : words.split(';').map((each) => each.trim())) {
    const [, to, rest = ''] = BRANCH.exec(part) ?? [];
    if (to === undefined) return fail(`“${part.slice(0, 40)}” was read. ${BRANCHES_WOULD}`);
    const filter = readFilterWords(rest);
    if (!filter.ok) return filter;
    branches.push({ to, filter: filter.value });
  }
  const read = branchesSchema.safeParse(branches);
  return read.success ? ok(read.data) : fail(`${read.error.issues[0]?.message} ${BRANCHES_WOULD}`);
}
