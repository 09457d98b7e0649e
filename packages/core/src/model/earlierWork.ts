/**
 * What somebody did at a place before this job, as one finds it with the panel off. Each is a doubt about what the library says of the
 * place, a caution, or something that has to be there before the panel closes. The list is common practice, no source.
 */
import { z } from 'zod';

type EarlierWorkEntry = {
  readonly label: string;
  /** What has to be at hand on the day; null where nothing has. */
  readonly need: string | null;
  /** What may hurt or be lost; null where nothing more than usual. */
  readonly caution: string | null;
};

export const EARLIER_WORK = {
  fixings: {
    label: 'Rivets or screws that are not the maker’s',
    need: 'Screws with clip nuts or rivet nuts for the holes as they are now',
    caution: 'Rivets that are not the maker’s: drilling out needs eye protection, and the mandrels have to be caught.',
  },
  plugCut: {
    label: 'Plug cut off',
    need: 'Terminals or splices to join the cut wires by',
    caution: 'Cut wires: covered one by one before the supply is on, and no colour says which is positive.',
  },
  clipsMissing: { label: 'Clips missing or broken', need: 'Clips for those that are missing', caution: null },
  coverBroken: { label: 'Cover or tab broken', need: 'A cover, or what mends it', caution: null },
  gasketGone: { label: 'Gasket or film gone', need: 'Gasket or film', caution: null },
  driverOff: {
    label: 'A driver dead or left unplugged',
    need: null,
    caution: 'Somebody left a driver unplugged: find out why before it is plugged in again.',
  },
} as const satisfies Readonly<Record<string, EarlierWorkEntry>>;

export type EarlierWork = keyof typeof EARLIER_WORK;
export const EARLIER_WORKS = Object.keys(EARLIER_WORK) as [EarlierWork, ...EarlierWork[]];

/** Null where nobody looked, empty where somebody did and it is as the maker left it. */
export const earlierSchema = z.array(z.enum(EARLIER_WORKS)).max(EARLIER_WORKS.length).nullable().default(null);
export type Earlier = z.infer<typeof earlierSchema>;

export function earlierWords(earlier: Earlier): string {
  if (earlier === null) return 'not looked';
  if (earlier.length === 0) return 'looked: none';
  return earlier.map((each) => EARLIER_WORK[each].label.toLowerCase()).join(', ');
}

export function hasEarlier({ earlier }: { readonly earlier: Earlier }, which: EarlierWork): boolean {
  return earlier?.includes(which) ?? false;
}
