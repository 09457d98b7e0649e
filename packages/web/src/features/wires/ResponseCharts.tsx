/** What of a channel reaches its speakers, and what is likely to arrive at the driver's seat, now and before, with its doubt. */
import type { Band, ChannelResponse } from '@low-quarry/core/sound';
import type { HeardSheet } from '@low-quarry/core/stations';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Said } from '../../ui/Said';
import { Answered } from '../../ui/states';
import { askSound } from '../../workers/soundClient';
import type { BandCurve } from './BandChart';
import { BandChart } from './lateBandChart';
import { changeWords, rangeWords } from './responseView';

type ResponseChartsProps = { readonly heard: HeardSheet; readonly name: string };

export function ResponseCharts({ heard, name }: ResponseChartsProps) {
  const { now, before, responseWants } = heard;
  const response = useQuery({
    queryKey: ['response', now, before],
    queryFn: () => askSound((worker) => worker.response(now, before)),
    staleTime: Number.POSITIVE_INFINITY,
    networkMode: 'always',
    // While something is moved by hand, what was drawn stays until what follows is there.
    placeholderData: (drawn) => drawn,
    enabled: responseWants === null,
  });
  if (responseWants !== null) return <p className="text-measure">{responseWants}</p>;
  return (
    <Answered query={response} what="what arrives">
      {(shown) => shown && <Shown response={shown} heard={heard} name={name} />}
    </Answered>
  );
}

type ShownProps = ResponseChartsProps & { readonly response: ChannelResponse };

function Shown({ response, heard: { seatWants, taken }, name }: ShownProps) {
  const { frequenciesHz, electrical, seat, before, change } = response;
  const direct = electrical.filter(({ band }) => isLevel(band)).map(({ label }) => label);
  const atSpeakers = useMemo(() => {
    const changed = electrical.filter(({ band }) => !isLevel(band));
    return changed.map(({ label, band }) => curveOf(changed.length > 1 ? label : null, band));
  }, [electrical]);
  const atSeat = useMemo(
    () => [
      ...(seat ? [curveOf(before ? 'now' : null, seat)] : []),
      ...(seat && before ? [{ ...curveOf('before', before), isBefore: true }] : []),
    ],
    [seat, before],
  );
  return (
    <div className="flex flex-col gap-2">
      {direct.length > 0 && <p>All of the channel’s voltage reaches {direct.join(' and ')}.</p>}
      <div className="grid gap-x-8 gap-y-4 *:min-w-0 xl:grid-cols-2">
        {atSpeakers.length > 0 && (
          <figure>
            <BandChart
              frequenciesHz={frequenciesHz}
              curves={atSpeakers}
              limit={null}
              title="At the speakers, dB"
              least={LEAST_VOLTAGE_DB}
              most={MOST_VOLTAGE_DB}
              label={`What of the voltage of channel ${name} reaches its speakers, over frequency`}
            />
            <figcaption className="text-[13px] text-muted">
              The voltage at the speaker against the channel’s; 95 in 100 lie in the band.
            </figcaption>
          </figure>
        )}
        {atSeat.length === 0 ? (
          <p className="text-measure">{seatWants}</p>
        ) : (
          <figure className="flex flex-col gap-2">
            <BandChart
              frequenciesHz={frequenciesHz}
              curves={atSeat}
              limit={null}
              title="At the seat, dB at 2.83 V"
              least={LEAST_SEAT_DB}
              most={MOST_SEAT_DB}
              label={`What of channel ${name} is likely to arrive at the driver’s seat, over frequency`}
            />
            <figcaption className="flex flex-col gap-2">
              {change && (
                <ul aria-label={`Channel ${name} against before`}>
                  {change.map((each) => (
                    <li key={each.name}>
                      <strong>{rangeWords(each)}:</strong> <Said sentence={changeWords(each.db)} next={null} />
                    </li>
                  ))}
                </ul>
              )}
              <p className="text-[13px] text-muted">
                Estimated, by the makers’ sensitivities and what cars usually do between speaker and ear; nothing of it
                is measured in this car. 95 in 100 such cars lie in the band. {taken.join(' ')}
              </p>
            </figcaption>
          </figure>
        )}
      </div>
    </div>
  );
}

const [LEAST_VOLTAGE_DB, MOST_VOLTAGE_DB] = [-40, 3];
const [LEAST_SEAT_DB, MOST_SEAT_DB] = [50, 110];
const LEVEL_DB = 0.05;

function isLevel({ lower, upper }: Band): boolean {
  return lower.every((db) => db > -LEVEL_DB) && upper.every((db) => db < LEVEL_DB);
}

function curveOf(name: string | null, { middle, lower, upper }: Band): BandCurve {
  return { name, likely: middle, band: { lower, upper } };
}
