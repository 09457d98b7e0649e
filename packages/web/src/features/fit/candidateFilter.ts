/** Which candidates the list shows, as it stands in the address bar. */

import { COST_UNKNOWN, type ListedById, type ListedPart, type ListedSpeaker } from '@low-quarry/core/catalogue';
import { CHECK_IDS, type CheckId, VERDICTS_BY_RANK, type Verdict } from '@low-quarry/core/fit';
import { CHANNEL_CHECKS, type ChannelCheckId } from '@low-quarry/core/sound';
import type { JudgedSpeaker } from './joinChannel';

export type Shown =
  | { readonly kind: 'all' }
  | { readonly kind: 'verdict'; readonly verdict: Verdict }
  | { readonly kind: 'check'; readonly check: Deciding };

/** What a candidate's verdict is by: a check of its shape, or one of the channel that would feed it. */
export type Deciding = CheckId | `channel ${ChannelCheckId}`;

export const DECIDING: readonly Deciding[] = [...CHECK_IDS, ...CHANNEL_CHECKS.map((id) => `channel ${id}` as const)];

export function decidingOf({ channel, best: { decidedBy } }: JudgedSpeaker): Deciding {
  return channel ? `channel ${channel}` : decidedBy;
}

export type CandidateFilter = {
  readonly shown: Shown;
  readonly size: string | null;
  readonly maker: string | null;
  readonly kind: string | null;
  /** Of one piece with what it needs, in minor units of the currency. */
  readonly mostMinor: number | null;
};

export const NO_FILTER: CandidateFilter = {
  shown: { kind: 'all' },
  size: null,
  maker: null,
  kind: null,
  mostMinor: null,
};

/** Anything that is not understood filters nothing. */
export function readFilter(search: URLSearchParams): CandidateFilter {
  const most = Number(search.get('most'));
  return {
    shown: readShown(search.get('show')),
    size: search.get('size'),
    maker: search.get('maker'),
    kind: search.get('kind'),
    mostMinor: Number.isFinite(most) && most > 0 ? Math.round(most * 100) : null,
  };
}

export function writeFilter({ shown, size, maker, kind, mostMinor }: CandidateFilter): Record<string, string | null> {
  return {
    show: writeShown(shown),
    size,
    maker,
    kind,
    most: mostMinor === null ? null : String(mostMinor / 100),
  };
}

/** Whether a candidate is shown; the verdict is left out where the groups themselves are counted. */
export function passesFilter(candidate: JudgedSpeaker, filter: CandidateFilter, parts: ListedById): boolean {
  const { speakerId, best } = candidate;
  const { shown, mostMinor } = filter;
  if (!passesPart(speakerId, filter, parts)) return false;
  // What nobody knows the price of may well cost less.
  if (mostMinor !== null && best.costMinor !== COST_UNKNOWN && best.costMinor > mostMinor) return false;
  if (shown.kind === 'all') return true;
  if (shown.kind === 'verdict') return best.verdict === shown.verdict;
  return best.verdict !== 'clears' && decidingOf(candidate) === shown.check;
}

/** Whether a speaker passes by what it is, whatever stack it would need. */
export function passesPart(
  speakerId: string,
  { size, maker, kind }: Pick<CandidateFilter, 'size' | 'maker' | 'kind'>,
  parts: ListedById,
): boolean {
  const speaker = parts.get(speakerId);
  if (speaker?.kind !== 'speaker') return false;
  if (size !== null && speaker.nominalSize !== size) return false;
  if (maker !== null && speaker.maker !== maker) return false;
  return kind === null || speaker.speakerKind === kind;
}

/** What can be chosen in each filter, in order. */
export function filterChoices(parts: readonly ListedPart[]) {
  const speakers = parts.filter((part): part is ListedSpeaker => part.kind === 'speaker');
  const distinct = (of: (speaker: ListedSpeaker) => string) => [...new Set(speakers.map(of))].sort();
  return {
    sizes: distinct(({ nominalSize }) => nominalSize),
    makers: distinct(({ maker }) => maker),
    kinds: distinct(({ speakerKind }) => speakerKind),
  };
}

function readShown(text: string | null): Shown {
  const verdict = VERDICTS_BY_RANK.find((each) => each === text);
  if (verdict) return { kind: 'verdict', verdict };
  const check = DECIDING.find((each) => notWords(each) === text);
  return check ? { kind: 'check', check } : { kind: 'all' };
}

function writeShown(shown: Shown): string | null {
  if (shown.kind === 'all') return null;
  return shown.kind === 'verdict' ? shown.verdict : notWords(shown.check);
}

function notWords(check: Deciding): string {
  return `not-${check.replace(' ', '-')}`;
}
