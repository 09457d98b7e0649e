/** An opening's record on its way to the shop. */
import type { Opening } from '@low-quarry/core/contracts/openings';
import { type OpeningRecord, placeLabel } from '@low-quarry/core/model';
import type { SaveOpening } from '../../outbox/Entry';
import { newId } from '../../ui/newId';
import type { OpeningDraft } from './openingDraft';

/** @param draft what the record was made from: with its version, and what it was typed on */
export function saveEntry(
  { id, jobId }: Pick<Opening, 'id' | 'jobId'>,
  draft: OpeningDraft,
  record: OpeningRecord,
  personId: string,
): SaveOpening {
  return {
    kind: 'saveOpening',
    id: newId(),
    personId,
    at: new Date().toISOString(),
    label: placeLabel(record),
    refused: null,
    jobId,
    openingId: id,
    version: draft.version,
    base: draft.base,
    record,
    draft: JSON.stringify(draft),
    clash: null,
  };
}
