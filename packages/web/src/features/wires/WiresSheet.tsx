/** All of a car's channels on paper: what plays where, what feeds it and what that sees, how loud, which wire is positive and what says so. */

import type { ConnectorRecord } from '@low-quarry/core/catalogue';
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import { capital } from '@low-quarry/core/firstLetter';
import {
  amplifierPlanWords,
  crossoverWords,
  devicePlugWords,
  lineFilterWords,
  type OpeningRecord,
  phaseWords,
  placeLabel,
  polarityWords,
  type ShopSettings,
  stowedWords,
  yearsWords,
} from '@low-quarry/core/model';
import {
  bypassHold,
  type ChannelSheet,
  type CrossoverSheet,
  channelLoadOf,
  channelSheets,
  crossoverSheets,
  devicePlugPoints,
  isMoreUndecided,
  jointLines,
  levelLines,
  seatChecks,
  startValues,
  stowedSheets,
  wireRuns,
} from '@low-quarry/core/stations';
import { CHANNEL_CHECK_WORDS, SECOND_PLUG_WORDS, VERDICT_WORDS } from '../../text/words';
import { answered } from '../../ui/OpenChecks';
import { PaperHead } from '../jobs/PaperHead';
import { loadWords, sourceLines, takenOffWords } from './channelsView';
import { CROSSOVER_CHECK_WORDS, mmMarginWords } from './crossovers/crossoversView';
import { ohmMarginWords } from './ohmMargin';
import { pinLines, plugWords, WIRE_CHECKS } from './plugWords';

type WiresSheetProps = {
  readonly job: Job;
  readonly openings: readonly OpeningWithState[];
  readonly connectors: readonly ConnectorRecord[];
  readonly shop: ShopSettings;
};

export function WiresSheet({ job, openings, connectors, shop }: WiresSheetProps) {
  const channels = channelSheets(job, openings, shop.confidence);
  const sheets = channels.kind === 'known' ? channels.sheets : [];
  const levels = levelLines(sheets, openings, shop.confidence);
  const starts = startValues(job, openings, shop.confidence);
  const runs = wireRuns(job, sheets, openings);
  const joints = jointLines(sheets, openings, openings, shop.schools.splice);
  const hold = bypassHold(job);
  const there = openings.filter((opening) => channelLoadOf(opening) !== null);
  return (
    <article className="only-print text-black" aria-hidden="true">
      <PaperHead
        job={job}
        shop={shop}
        title={`Wires, job ${job.number}`}
        car={`${yearsWords(job.vehicle.years)}, ${job.vehicle.trim || 'trim not known'}, ${job.vehicle.audioPackage || 'audio package not known'}`}
      />
      {channels.kind === 'notLooked' && (
        <p className="mt-2 font-semibold">
          ◆ Nobody noted this car’s channels: load, band and power are not judged, and nothing is ordered.
        </p>
      )}
      {(job.amplifierPlan !== null || sheets.some(({ isOnMakersAmplifier }) => isOnMakersAmplifier)) && (
        <p className="mt-2">
          {hold || job.amplifierPlan === null ? (hold ? '◆ ' : '◇ ') : ''}
          <strong>The maker’s amplifier:</strong> {amplifierPlanWords(job.amplifierPlan)}. {hold}
        </p>
      )}
      {(job.vehicle.devicePlugs ?? []).map((plug) => (
        <p key={devicePlugWords(plug)} className="pl-4">
          {plug.carries.length === 0 ? '◇ ' : ''}
          {devicePlugWords(plug)}
        </p>
      ))}
      {devicePlugPoints(job)
        .filter(({ station }) => station === 'build')
        .map(({ id, words }) => (
          <p key={id} className="pl-4 font-semibold">
            ◆ {words}
          </p>
        ))}
      {channels.kind === 'known' && (
        <>
          {channels.twice.map((place) => (
            <p key={place} className="mt-2 font-semibold">
              ◆ {place} stands on two channels, and one of them is wrong.
            </p>
          ))}
          {channels.unfed.map(({ id, record }) => (
            <p key={id} className="mt-2 font-semibold">
              ◆ {placeLabel(record)}: no channel is noted that feeds its new speaker.
            </p>
          ))}
        </>
      )}
      {sheets.map((sheet) => (
        <ChannelOnPaper key={sheet.number} sheet={sheet} />
      ))}
      {crossoverSheets(job, openings, shop.confidence).map((sheet) => (
        <CrossoverOnPaper key={sheet.record.name} sheet={sheet} />
      ))}
      <LinesOnPaper
        title="Boxes"
        lines={stowedSheets(job, shop.confidence).map(({ record, place, wires }) => ({
          ...{ id: record.name, what: record.name, next: place.settledBy },
          sentence: `${capital(stowedWords(record))}. ${wires} ${paperMark(place.verdict)} Place: ${VERDICT_WORDS[place.verdict]}${place.margin ? `, ${mmMarginWords(place.margin)}` : ''}. ${place.sentence}`,
        }))}
      />
      <LinesOnPaper title="How loud, at the same setting" lines={levels} />
      {starts.length > 0 && (
        <section className="mt-4 break-inside-avoid">
          <h2 className="text-[18px] font-bold">Start values</h2>
          {starts.map(({ what, value, why }) => (
            <p key={what} className="border-t border-black py-1">
              <strong>
                {what}: {value ?? 'by ear'}.
              </strong>{' '}
              {why} Set to: {job.baseline.settings[what] ?? '________'}
            </p>
          ))}
        </section>
      )}
      <LinesOnPaper
        title="Seats of tweeters"
        lines={seatChecks(openings, job.consents, shop).map(({ openingId, what, verdict, margin, ...said }) => ({
          ...{ id: openingId, what, next: said.settledBy },
          sentence: `${paperMark(verdict)} ${VERDICT_WORDS[verdict]}${margin ? `, ${mmMarginWords({ mm: margin.mm, expandedMm: margin.expandedMm })}` : ''}. ${said.sentence}`,
        }))}
      />
      <LinesOnPaper title="New wire" lines={runs} />
      <LinesOnPaper
        title="Joints"
        lines={joints.map((line) => (line.count === null ? { ...line, sentence: `◇ ${line.sentence}` } : line))}
      />
      <section className="mt-4">
        <h2 className="text-[18px] font-bold">The plugs</h2>
        {there.length > 0 && (
          <p className="font-semibold">
            {phaseWords(
              there.map(({ record: { polarity } }) => polarity),
              shop.polarityProof === 'testOrKey',
            )}
          </p>
        )}
        {there.map((opening) => (
          <PlugOnPaper key={opening.id} opening={opening} connectors={connectors} />
        ))}
      </section>
    </article>
  );
}

type PaperLine = {
  readonly id: string;
  readonly what: string;
  readonly sentence: string;
  readonly next: string | null;
};

function LinesOnPaper({ title, lines }: { readonly title: string; readonly lines: readonly PaperLine[] }) {
  if (lines.length === 0) return null;
  return (
    <section className="mt-4 break-inside-avoid">
      <h2 className="text-[18px] font-bold">{title}</h2>
      {lines.map(({ id, what, sentence, next }) => (
        <p key={id} className="border-t border-black py-1">
          <strong>{what}:</strong> {sentence} {next}
        </p>
      ))}
    </section>
  );
}

function ChannelOnPaper({ sheet }: { readonly sheet: ChannelSheet }) {
  const { record, channel, checks, unknownPlaces } = sheet;
  return (
    <section className="mt-4 break-inside-avoid">
      <h2 className="text-[18px] font-bold">Channel {record.name}</h2>
      <p>
        {sourceLines(sheet).join(', ')}
        {channel.loads.length > 1 && (channel.joined === 'series' ? ', in series' : ', in parallel')}.
      </p>
      <ul>
        {channel.loads.map((load) => (
          <li key={load.label} className="border-t border-black py-1">
            <strong>{load.label}:</strong> {loadWords(load)}
          </li>
        ))}
      </ul>
      {checks.map(({ id, verdict, margin, sentence, settledBy }) => (
        <p key={id} className="pl-4">
          {paperMark(verdict)} {CHANNEL_CHECK_WORDS[id]}: {VERDICT_WORDS[verdict]}
          {margin && `, ${ohmMarginWords(margin)}`}. {sentence} {settledBy}
        </p>
      ))}
      {sheet.takenOff.length > 0 && <p className="pl-4">{takenOffWords(sheet)}</p>}
      {unknownPlaces.length > 0 && (
        <p className="pl-4">◇ It names what this car has not: {unknownPlaces.join(', ')}.</p>
      )}
    </section>
  );
}

function CrossoverOnPaper({ sheet: { record, checks } }: { readonly sheet: CrossoverSheet }) {
  return (
    <section className="mt-4 break-inside-avoid">
      <h2 className="text-[18px] font-bold">Crossover {record.name}</h2>
      <p>{capital(crossoverWords(record))}.</p>
      {checks.map(({ id, verdict, margin, sentence, settledBy }) => (
        <p key={id} className="pl-4">
          {paperMark(verdict)} {CROSSOVER_CHECK_WORDS[id]}: {VERDICT_WORDS[verdict]}
          {margin && `, ${mmMarginWords(margin)}`}. {sentence} {settledBy}
        </p>
      ))}
    </section>
  );
}

function paperMark(verdict: CrossoverSheet['checks'][number]['verdict']): string {
  if (verdict === 'clears') return '■';
  return verdict === 'measure' ? '◇' : '◆';
}

type PlugOnPaperProps = { readonly opening: OpeningWithState; readonly connectors: readonly ConnectorRecord[] };

function PlugOnPaper({ opening, connectors }: PlugOnPaperProps) {
  const { record, state } = opening;
  const open = state.kind === 'chosen' ? state.open.filter(({ check }) => WIRE_CHECKS.has(check)) : [];
  return (
    <div className="break-inside-avoid border-t border-black py-1">
      <p>
        <strong>{placeLabel(record)}:</strong> {speakerWords(record, state)}
      </p>
      <p className="pl-4">
        Plug: {plugWords(record, connectors)}. Positive: {polarityWords(record.polarity)}. In its line:{' '}
        {lineFilterWords(record.lineFilter)}.
      </p>
      <p className="pl-4">Second plug: {SECOND_PLUG_WORDS[record.secondPlug].toLowerCase()}.</p>
      {pinLines(record).map((line) => (
        <p key={line} className="pl-4">
          {line}
        </p>
      ))}
      {isMoreUndecided(opening) && (
        <p className="pl-4 font-semibold">
          ◆ Hold: what comes to it besides its own sound must go on working, and how is not decided.
        </p>
      )}
      {open.map((each) => (
        <p key={each.check} className="pl-4">
          ◆ {each.sentence} {answered(each)}
        </p>
      ))}
    </div>
  );
}

function speakerWords({ presence }: OpeningRecord, state: OpeningWithState['state']): string {
  if (state.kind === 'chosen') return `${state.speakerName} goes in.`;
  return presence === 'fitted' ? 'what is there stays.' : 'nobody looked what is there.';
}
