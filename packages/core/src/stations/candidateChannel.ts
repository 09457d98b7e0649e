/** How the channel of an opening would do with each speaker that may go in there, before one is chosen. */
import type { Plays } from '../contracts/jobs';
import { VERDICTS_BY_RANK, type Verdict } from '../fit';
import { knownFact, placeLabel } from '../model';
import { CHANNEL_CHECKS, type ChannelCheck, type ChannelCheckId } from '../sound';
import { bootOf, type ChannelJob, type PlayingOpening, sheetOf } from './channelSheets';
import { plannedChannels } from './plannedChannels';

export type CandidateChannel =
  /** `notLooked`: nobody noted the car's channels. `unfed`: none of them feeds the opening. `twice`: more than one is said to. */
  | { readonly kind: 'notLooked' | 'unfed' | 'twice' }
  | { readonly kind: 'known'; readonly name: string; readonly checksOf: (plays: Plays) => readonly ChannelCheck[] };

/**
 * @param openings of the car, as they are chosen now; in `openingId` is what is asked about
 * @param confidence one-sided, the shop's, between 0.5 and 1 exclusive
 */
export function candidateChannel(
  job: ChannelJob,
  openings: readonly PlayingOpening[],
  openingId: string,
  confidence: number,
): CandidateChannel {
  if (job.vehicle.channels === null) return { kind: 'notLooked' };
  const here = openings.find(({ id }) => id === openingId);
  if (!here) throw new Error(`candidateChannel: expected an opening of the car, got ${openingId}`);
  const label = placeLabel(here.record);
  const [channel, ...more] = plannedChannels(job).filter(({ record: { places } }) => places.includes(label));
  if (!channel) return { kind: 'unfed' };
  if (more.length > 0) return { kind: 'twice' };
  const byLabel = new Map(openings.map((opening) => [placeLabel(opening.record), opening]));
  const boot = bootOf(knownFact('boot', job.found, job.vehicle.facts)?.answer);
  const judged = new Map<string, readonly ChannelCheck[]>();
  return {
    kind: 'known',
    name: channel.record.name,
    checksOf(plays) {
      // Of thousands of speakers few differ in what a channel sees of them; how loud they are is not judged.
      const { speakerKind, impedanceOhm, coilOhm, coilMh, resonanceHz, totalQ, rmsW, filter } = plays;
      const key = JSON.stringify([speakerKind, impedanceOhm, coilOhm, coilMh, resonanceHz, totalQ, rmsW, filter]);
      const found = judged.get(key);
      if (found) return found;
      byLabel.set(label, { ...here, state: { kind: 'chosen', plays } });
      const { checks } = sheetOf(channel, byLabel, boot, confidence);
      judged.set(key, checks);
      return checks;
    },
  };
}

/** What a channel says of every speaker of a catalogue. */
export type ChannelMarks = {
  /** The best that any speaker comes to: what is open here is open whatever is chosen, and is said once. */
  readonly always: Readonly<Record<ChannelCheckId, Verdict>>;
  /** Of each speaker the gravest that is its own doing, as a place in `VERDICTS_BY_RANK`; 0 where nothing is. */
  readonly verdictAt: Uint8Array;
  /** Which check that is, as a place in `CHANNEL_CHECKS`. */
  readonly checkAt: Uint8Array;
};

/** @param checks of each speaker, in the order of `CHANNEL_CHECKS` */
export function channelMarks(checks: readonly (readonly ChannelCheck[])[]): ChannelMarks {
  const least = CHANNEL_CHECKS.map((_, at) =>
    checks.reduce(
      (best, each) => Math.min(best, gravityOf(each[at])),
      checks.length === 0 ? 0 : Number.POSITIVE_INFINITY,
    ),
  );
  const verdictAt = new Uint8Array(checks.length);
  const checkAt = new Uint8Array(checks.length);
  for (const [speaker, each] of checks.entries())
    for (const [at, check] of each.entries()) {
      const gravity = gravityOf(check);
      if (gravity <= (least[at] as number) || gravity <= (verdictAt[speaker] as number)) continue;
      verdictAt[speaker] = gravity;
      checkAt[speaker] = at;
    }
  const always = CHANNEL_CHECKS.map((id, at) => [id, VERDICTS_BY_RANK[least[at] as number]]);
  return { always: Object.fromEntries(always), verdictAt, checkAt };
}

function gravityOf(check: ChannelCheck | undefined): number {
  if (!check) throw new Error('channelMarks: expected one check of each kind, got fewer');
  return VERDICTS_BY_RANK.indexOf(check.verdict);
}
