/** What the question asks beside the screen: the speaker itself, and the best that it can do. */

import type { SpeakerRecord } from '@low-quarry/core/catalogue';
import type { FitOpening, FitRules } from '@low-quarry/core/fit';
import { queryOptions } from '@tanstack/react-query';
import { readParts } from '../../catalogue/catalogueQueries';
import { askCatalogue } from '../../workers/catalogueClient';

export function speakerQuery(version: string, speakerId: string) {
  return queryOptions({
    queryKey: ['parts', version, speakerId],
    queryFn: async (): Promise<SpeakerRecord | null> => {
      const [part] = await readParts(version, [speakerId]);
      return part?.kind === 'speaker' ? part : null;
    },
    staleTime: Number.POSITIVE_INFINITY,
  });
}

export function bestStackQuery(version: string, opening: FitOpening, rules: FitRules, speaker: SpeakerRecord) {
  return queryOptions({
    queryKey: ['bestStack', version, opening, rules, speaker],
    queryFn: () => askCatalogue((worker) => worker.bestStack(version, opening, rules, speaker)),
    staleTime: Number.POSITIVE_INFINITY,
  });
}
