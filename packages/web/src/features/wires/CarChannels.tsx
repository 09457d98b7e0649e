/** What plays on each channel, what its source sees of it, and what of that nobody knows. */
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import { knownFact, placeLabel, SETTINGS_DEFAULTS } from '@low-quarry/core/model';
import {
  type ChannelSheet,
  channelSheets,
  heardSheet,
  type JointLine,
  jointLines,
  levelLines,
  startValues,
  wireRuns,
} from '@low-quarry/core/stations';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { shopSettingsQuery } from '../../api/settingsQuery';
import { CHANNEL_CHECK_WORDS } from '../../text/words';
import { Button } from '../../ui/Button';
import { AmplifierPlanForm } from './amplifier/AmplifierPlanForm';
import { Boxes } from './boxes/Boxes';
import { ChannelDrawing } from './ChannelDrawing';
import { CheckLine } from './CheckLine';
import { loadWords, sourceLines, takenOffWords } from './channelsView';
import { vehicleAddress } from './channelWay';
import { Crossovers } from './crossovers/Crossovers';
import { ImpedanceChart } from './ImpedanceChart';
import { Joints } from './Joints';
import { Loudness } from './Loudness';
import { NewWires } from './NewWires';
import { ohmMarginWords, RAIL_OHM } from './ohmMargin';
import { ResponseCharts } from './ResponseCharts';
import { StartValues } from './StartValues';

type CarChannelsProps = { readonly job: Job; readonly openings: readonly OpeningWithState[] };

export function CarChannels({ job, openings }: CarChannelsProps) {
  const shop = useQuery(shopSettingsQuery);
  const { confidence, schools, polarityProof } = shop.data ?? SETTINGS_DEFAULTS;
  const channels = channelSheets(job, openings, confidence);
  const sheets = channels.kind === 'known' ? channels.sheets : [];
  const vehicle = vehicleAddress(job);
  const runs = wireRuns(job, sheets, openings);
  const joints = jointLines(sheets, openings, openings, schools.splice);
  const onMakers = sheets.filter((sheet) => sheet.isOnMakersAmplifier);
  const isMakersThere =
    onMakers.length > 0 ||
    // What was decided is settled here, whatever became of the channels since.
    job.amplifierPlan !== null ||
    knownFact('amplifier', job.found, job.vehicle.facts)?.answer === 'factory';
  return (
    <>
      {isMakersThere && <AmplifierPlanForm job={job} channels={onMakers.map(({ record: { name } }) => name)} />}
      <section aria-label="The channels" className="flex flex-col gap-2">
        <h2 className="border-b border-ink text-[18px] font-bold">The channels</h2>
        {channels.kind === 'notLooked' ? (
          <>
            <p>
              <span className="font-semibold text-measure">Nobody noted this car’s channels:</span> neither load, nor
              band, nor power is judged, and nothing is ordered until they are.{' '}
              <VehicleLink to={vehicle}>Note them on the vehicle</VehicleLink>
            </p>
            <NewWires runs={runs} />
          </>
        ) : (
          <>
            {channels.sheets.length === 0 && <p>Somebody looked: no channel feeds a speaker.</p>}
            {channels.twice.map((place) => (
              <p key={place} className="font-semibold text-hold">
                Hold: {place} stands on two channels, and one of them is wrong.{' '}
                <VehicleLink to={vehicle}>Put it right on the vehicle</VehicleLink>
              </p>
            ))}
            {channels.unfed.map(({ id, record }) => (
              <p key={id} className="font-semibold text-hold">
                Hold: {placeLabel(record)} has a new speaker, and no channel is noted that feeds it.{' '}
                <VehicleLink to={vehicle}>Say which does</VehicleLink>
              </p>
            ))}
            <ul className="flex flex-col">
              {channels.sheets.map((sheet) => (
                <ChannelItem
                  key={sheet.number}
                  {...{ job, sheet, vehicle, openings, joints }}
                  keysProve={polarityProof === 'testOrKey'}
                />
              ))}
            </ul>
            <Loudness lines={levelLines(channels.sheets, openings, confidence)} />
            <NewWires runs={runs} />
            <StartValues values={startValues(job, openings, confidence)} settings={job.baseline.settings} />
          </>
        )}
      </section>
      <Crossovers job={job} openings={openings} confidence={confidence} />
      <Boxes job={job} confidence={confidence} />
      <Joints lines={joints} openings={openings} />
    </>
  );
}

function VehicleLink({ to, children }: { readonly to: string; readonly children: string }) {
  return (
    <Link to={to} className="inline-flex min-h-12 items-center text-action underline underline-offset-2">
      {children}
    </Link>
  );
}

type ChannelItemProps = {
  readonly job: Job;
  readonly sheet: ChannelSheet;
  readonly vehicle: string;
  readonly openings: readonly OpeningWithState[];
  readonly joints: readonly JointLine[];
  readonly keysProve: boolean;
};

function ChannelItem({ job, sheet, vehicle, openings, joints, keysProve }: ChannelItemProps) {
  const [shown, setShown] = useState<Charted | null>(null);
  const { record, channel, checks, unknownPlaces } = sheet;
  return (
    <li className="flex flex-col gap-2 border-b border-hairline py-3">
      <h3 className="text-[16px] font-bold">Channel {record.name}</h3>
      <div className="grid gap-x-8 gap-y-2 xl:grid-cols-[720px_1fr] xl:items-start">
        <ChannelDrawing {...{ sheet, job, openings, joints }} />
        <ol className="flex flex-col gap-1 sm:hidden">
          <li>{sourceLines(sheet).join(', ')}</li>
          {channel.loads.map((load) => (
            <li key={load.label}>
              <strong>{load.label}:</strong> {loadWords(load)}
            </li>
          ))}
        </ol>
        <ul aria-label={`Checks of channel ${record.name}`} className="flex flex-col">
          {checks.map((check) => (
            <CheckLine
              key={check.id}
              verdict={check.verdict}
              what={CHANNEL_CHECK_WORDS[check.id]}
              margin={
                check.margin && {
                  value: check.margin.ohm,
                  expanded: check.margin.expandedOhm,
                  words: ohmMarginWords(check.margin),
                }
              }
              range={RAIL_OHM}
              sentence={check.sentence}
              settledBy={check.settledBy}
            />
          ))}
        </ul>
      </div>
      {sheet.takenOff.length > 0 && <p>{takenOffWords(sheet)}</p>}
      {unknownPlaces.length > 0 && (
        <p className="text-measure">
          It names what this car has not: {unknownPlaces.join(', ')}.{' '}
          <VehicleLink to={vehicle}>Put it right</VehicleLink>
        </p>
      )}
      {channel.loads.length > 0 && (
        <div className="flex flex-wrap gap-x-4">
          <ChartButton what="impedance" shown={shown} onShow={setShown}>
            the impedance
          </ChartButton>
          <ChartButton what="response" shown={shown} onShow={setShown}>
            what arrives at the seat
          </ChartButton>
        </div>
      )}
      {shown === 'impedance' && <ImpedanceChart sheet={sheet} />}
      {shown === 'response' && <ResponseCharts heard={heardSheet(sheet, openings, keysProve)} name={record.name} />}
    </li>
  );
}

type Charted = 'impedance' | 'response';
type ChartButtonProps = {
  readonly what: Charted;
  readonly shown: Charted | null;
  readonly onShow: (next: Charted | null) => void;
  readonly children: string;
};

function ChartButton({ what, shown, onShow, children }: ChartButtonProps) {
  const isShown = shown === what;
  return (
    <Button kind="quiet" aria-expanded={isShown} onClick={() => onShow(isShown ? null : what)}>
      {isShown ? 'Hide' : 'Show'} {children}
    </Button>
  );
}
