/** Changes one opening outside its sheet: by a press, without a draft of its own, on top of whatever waits to be sent. */
import type { OpeningWithState } from '@low-quarry/core/contracts/jobs';
import type { OpeningRecord } from '@low-quarry/core/model';
import { useQuery } from '@tanstack/react-query';
import { needsPerson, type SaveOpening } from '../../outbox/Entry';
import { useOutbox } from '../../outbox/OutboxProvider';
import { toDraft } from './openingDraft';
import { openingQuery } from './openingQueries';
import { saveEntry } from './saveEntry';

export type SaveAtOnce = {
  /** What waits to be sent is what is so, and so is what was sent and the job does not tell yet. */
  readonly record: OpeningRecord;
  /** What the shop did not take, and a person has to settle first. */
  readonly stuck: SaveOpening | undefined;
  readonly save: (record: OpeningRecord) => void;
};

export function useSaveAtOnce(opening: OpeningWithState): SaveAtOnce {
  const { outbox, entries } = useOutbox();
  const waiting = entries.filter(
    (entry): entry is SaveOpening => entry.kind === 'saveOpening' && entry.openingId === opening.id,
  );
  const { data: sent } = useQuery({ ...openingQuery(opening.id), enabled: false });
  const stored = sent && sent.version > opening.version ? sent : opening;
  const record = waiting.at(-1)?.record ?? stored.record;
  return {
    record,
    stuck: waiting.find(needsPerson),
    save: (next) =>
      void outbox.add(
        saveEntry(opening, toDraft(record, waiting.at(-1)?.version ?? stored.version), next, outbox.personId),
      ),
  };
}
