/** What the opening's channel says: of the shown speaker, and of all that may go in there. */
import { VERDICTS_BY_RANK } from '@low-quarry/core/fit';
import { CHANNEL_CHECKS, type ChannelCheck } from '@low-quarry/core/sound';
import { Link } from 'react-router';
import { addressOf } from '../../stations/addressOf';
import { CHANNEL_CHECK_WORDS, VERDICT_WORDS } from '../../text/words';
import { Said } from '../../ui/Said';
import { VerdictMark, verdictColour } from '../../ui/VerdictMark';
import type { ChannelTold } from '../../workers/channelOfCatalogue';
import { CheckLine } from '../wires/CheckLine';
import { ohmMarginWords, RAIL_OHM } from '../wires/ohmMargin';

type Known = Extract<ChannelTold, { readonly kind: 'known' }>;
type OfCandidateProps = { readonly told: Known; readonly checks: readonly ChannelCheck[] };

/** What of its channel keeps what is chosen off the order list, such as "its channel front left (band)"; null where nothing does. */
export function channelHold(told: ChannelTold | null, checks: readonly ChannelCheck[]): string | null {
  if (told === null) return null;
  if (told.kind !== 'known') return HOLD_WORDS[told.kind];
  const held = checks.filter(({ verdict }) => verdict === 'hold' || verdict === 'hits');
  if (held.length === 0) return null;
  return `its channel ${told.name} (${held.map(({ id }) => CHANNEL_CHECK_WORDS[id].toLowerCase()).join(', ')})`;
}

const HOLD_WORDS = {
  notLooked: 'the car’s channels, which nobody noted',
  unfed: 'its channel, which nobody noted',
  twice: 'its channels: it stands on two, and one of them is wrong',
} as const;

/** The gravest that is the speaker's own doing; nothing where nothing is. */
export function ChannelVerdict({ told: { name, marks }, checks }: OfCandidateProps) {
  const gravity = ({ verdict }: Pick<ChannelCheck, 'verdict'>) => VERDICTS_BY_RANK.indexOf(verdict);
  const [worst] = checks
    .filter((check) => gravity(check) > gravity({ verdict: marks.always[check.id] }))
    .sort((a, b) => gravity(b) - gravity(a));
  if (!worst) return null;
  const { verdict, id, sentence, settledBy } = worst;
  return (
    <div className="mt-1">
      <p className={`flex items-center gap-2 font-bold ${verdictColour(verdict)}`}>
        <VerdictMark verdict={verdict} hidden size={16} />
        {VERDICT_WORDS[verdict]} by its channel {name}: {CHANNEL_CHECK_WORDS[id].toLowerCase()}
      </p>
      <p>
        <Said sentence={sentence} next={settledBy} />
      </p>
    </div>
  );
}

export function ChannelLedger({ told: { name }, checks }: OfCandidateProps) {
  return (
    <section aria-label="Its channel">
      <h2>
        Its channel <span className="font-normal text-muted">{name}</span>
      </h2>
      <ul className="border-t border-ink">
        {checks.map(({ id, verdict, margin, sentence, settledBy }) => (
          <CheckLine
            key={id}
            verdict={verdict}
            what={CHANNEL_CHECK_WORDS[id]}
            margin={margin && { value: margin.ohm, expanded: margin.expandedOhm, words: ohmMarginWords(margin) }}
            range={RAIL_OHM}
            sentence={sentence}
            settledBy={settledBy}
          />
        ))}
      </ul>
    </section>
  );
}

type ChannelOfAllProps = { readonly told: ChannelTold; readonly jobId: string; readonly vehicleId: string };

/** What no choice changes, and what nobody knows; nothing where all of it is known and clears. */
export function ChannelOfAll({ told, jobId, vehicleId }: ChannelOfAllProps) {
  if (told.kind !== 'known')
    return (
      <p className="text-[13px] leading-4 text-measure">
        {UNKNOWN_WORDS[told.kind]} Load, band and power are not judged here, and nothing is ordered until they are.{' '}
        <Link to={`/vehicles/${encodeURIComponent(vehicleId)}`} className="text-action underline">
          Channels of the vehicle
        </Link>
      </p>
    );
  const { always } = told.marks;
  const open = CHANNEL_CHECKS.filter((id) => always[id] !== 'clears');
  if (open.length === 0) return null;
  const words = open.map(
    (id) => `${CHANNEL_CHECK_WORDS[id].toLowerCase()} (${VERDICT_WORDS[always[id]].toLowerCase()})`,
  );
  return (
    <p className="text-[13px] leading-4">
      Whatever is chosen, open on channel {told.name}: {words.join(', ')}.{' '}
      <Link to={addressOf('wire', { jobId })} className="text-action underline">
        Wires
      </Link>
    </p>
  );
}

const UNKNOWN_WORDS = {
  notLooked: 'Nobody noted this car’s channels.',
  unfed: 'No channel is noted that feeds this opening.',
  twice: 'This opening stands on two channels, and one of them is wrong.',
} as const;
