/** What arrives at the seat with parts that are being tried before one speaker of a channel: it follows once the hand rests. */
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import { SETTINGS_DEFAULTS } from '@low-quarry/core/model';
import type { LineFilter } from '@low-quarry/core/sound';
import { channelSheets, heardSheet } from '@low-quarry/core/stations';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { shopSettingsQuery } from '../../../api/settingsQuery';
import { Button } from '../../../ui/Button';
import { useRested } from '../../../ui/useRested';
import { ResponseCharts } from '../ResponseCharts';

const RESTED_MS = 200;

type FilterAtSeatProps = {
  readonly job: Job;
  readonly openings: readonly OpeningWithState[];
  /** Of the speaker. */
  readonly label: string;
  readonly parts: LineFilter;
};

export function FilterAtSeat({ job, openings, label, parts }: FilterAtSeatProps) {
  const [isShown, setIsShown] = useState(false);
  const { confidence, polarityProof } = useQuery(shopSettingsQuery).data ?? SETTINGS_DEFAULTS;
  const channels = useMemo(() => channelSheets(job, openings, confidence), [job, openings, confidence]);
  const rested = useRested(JSON.stringify(parts), RESTED_MS);
  const sheet = channels.kind === 'known' && channels.sheets.find(({ record: { places } }) => places.includes(label));
  const heard = useMemo(() => {
    if (!sheet || !isShown) return null;
    const line = JSON.parse(rested) as LineFilter;
    const loads = sheet.channel.loads.map((load) => (load.label === label ? { ...load, line } : load));
    return heardSheet({ ...sheet, channel: { ...sheet.channel, loads } }, openings, polarityProof === 'testOrKey');
  }, [sheet, isShown, rested, label, openings, polarityProof]);
  if (!sheet)
    return (
      <p className="text-measure">
        No channel is noted that feeds it: what arrives at the seat with these parts is not worked out.
      </p>
    );
  const { name } = sheet.record;
  return (
    <div className="flex flex-col gap-2">
      <Button className="self-start" aria-expanded={isShown} onClick={() => setIsShown(!isShown)}>
        {isShown ? 'Hide what arrives at the seat with them' : 'Show what arrives at the seat with them'}
      </Button>
      {heard && <ResponseCharts heard={heard} name={`${name}, with these parts`} />}
    </div>
  );
}
