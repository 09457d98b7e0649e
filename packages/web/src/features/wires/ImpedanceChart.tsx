/** What a channel's source sees of it over frequency, with its doubt. */
import { LEAST_OF_NOMINAL } from '@low-quarry/core/sound';
import type { ChannelSheet } from '@low-quarry/core/stations';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Answered } from '../../ui/states';
import { askSound } from '../../workers/soundClient';
import { BandChart } from './lateBandChart';

export function ImpedanceChart({ sheet: { record, channel } }: { readonly sheet: ChannelSheet }) {
  const { loads, joined, leastOhm } = channel;
  const band = useQuery({
    queryKey: ['impedance', loads, joined],
    queryFn: () => askSound((worker) => worker.impedance(loads, joined)),
    staleTime: Number.POSITIVE_INFINITY,
    networkMode: 'always',
  });
  const curves = useMemo(
    () =>
      band.data
        ? [{ name: null, likely: band.data.likelyOhm, band: { lower: band.data.lowerOhm, upper: band.data.upperOhm } }]
        : [],
    [band.data],
  );
  return (
    <Answered query={band} what="the impedance">
      {(shown) =>
        shown === null ? (
          <p className="text-measure">Of something on it nobody knows the ohms: there is nothing to draw.</p>
        ) : (
          <figure>
            <BandChart
              frequenciesHz={shown.frequenciesHz}
              curves={curves}
              limit={leastOhm === null ? null : LEAST_OF_NOMINAL * leastOhm}
              title="Impedance, Ω"
              least={0}
              label={`Impedance of channel ${record.name} over frequency`}
            />
            <figcaption className="text-[13px] text-muted">
              The line is what is likely; 95 in 100 of such channels lie in the band.
              {leastOhm !== null && ` Dashed: what a load sold as ${leastOhm} Ω may come down to (IEC 60268-5).`}
            </figcaption>
          </figure>
        )
      }
    </Answered>
  );
}
