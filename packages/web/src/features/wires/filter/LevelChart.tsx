/** How much parts take from what a speaker plays, over frequency: its line follows the hand, its band comes when the hand rests. */
import { type ChannelLoad, filterLevel, knownLoads, type LineFilter } from '@low-quarry/core/sound';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useRested } from '../../../ui/useRested';
import { askSound } from '../../../workers/soundClient';
import { BandChart } from '../lateBandChart';

const [LEAST_DB, MOST_DB] = [-30, 3];
const RESTED_MS = 200;

type LevelChartProps = { readonly parts: LineFilter; readonly load: ChannelLoad };

/** Nothing where nobody knows the speaker's ohms: that is said below. */
export function LevelChart({ parts, load }: LevelChartProps) {
  const key = JSON.stringify(parts);
  const rested = useRested(key, RESTED_MS);
  const { data, error } = useQuery({
    queryKey: ['filterLevel', rested, load],
    queryFn: () => askSound((worker) => worker.filterLevel(JSON.parse(rested) as LineFilter, load)),
    staleTime: Number.POSITIVE_INFINITY,
    networkMode: 'always',
  });
  const level = useMemo(() => {
    const [known] = knownLoads([load]).known;
    return known ? filterLevel(JSON.parse(key) as LineFilter, known.ranges) : null;
  }, [key, load]);
  const band = useMemo(
    () => (data && rested === key ? { lower: data.lowerDb, upper: data.upperDb } : null),
    [data, rested, key],
  );
  const curves = useMemo(() => (level ? [{ name: null, likely: level.likelyDb, band }] : []), [level, band]);
  if (level === null) return null;
  return (
    <figure>
      <BandChart
        frequenciesHz={level.frequenciesHz}
        curves={curves}
        limit={null}
        title="Against nothing in the line, dB"
        least={LEAST_DB}
        most={MOST_DB}
        label={`What the parts take at ${load.label} over frequency`}
      />
      <figcaption className="text-[13px] text-muted">
        A speaker plays in proportion to its voltage, and what the car makes of it stays: by so much it is quieter at
        every seat. {bandWords(band !== null, error)}
      </figcaption>
    </figure>
  );
}

function bandWords(isThere: boolean, error: Error | null): string {
  if (isThere) return '95 in 100 such speakers lie in the band.';
  return error ? `Its band cannot be drawn: ${error.message}` : 'Its band is on its way.';
}
