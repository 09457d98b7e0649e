/** What of a speaker in the catalogue, and of the lead before it, its channel is judged by. */
import type { PartRecord, SpeakerRecord } from '../catalogue';
import type { Plays } from '../contracts/jobs';

/** @param leads from the car's plug to the speaker: the filter nearest to the speaker counts */
export function playsOf(speaker: SpeakerRecord, leads: readonly (PartRecord | undefined)[]): Plays {
  const { speakerKind, impedanceOhm, coilOhm, coilMh, resonanceHz, totalQ } = speaker;
  const { rmsW, sensitivityDb, sensitivityAt } = speaker;
  return {
    ...{ speakerKind, impedanceOhm, coilOhm, coilMh, resonanceHz, totalQ, rmsW, sensitivityDb, sensitivityAt },
    filter: leadFilter(leads),
  };
}

function leadFilter(leads: readonly (PartRecord | undefined)[]): Plays['filter'] {
  const filters = leads.flatMap((lead) => (lead?.kind === 'harnessAdapter' && lead.filter ? [lead.filter] : []));
  return (filters.at(-1) ?? null) as Plays['filter'];
}
