/** What the shop has now is what the screens show, and no draft any more. */
import type { Opening } from '@low-quarry/core/contracts/openings';
import type { QueryClient } from '@tanstack/react-query';
import { askAnew } from '../../api/askAnew';
import { keepAtOnce } from '../../api/keptQueries';
import { deviceStore } from '../../device/DeviceStore';
import { draftPrefix, forgetDraft } from '../../device/drafts';
import type { Entry } from '../../outbox/Entry';
import { refreshSaved } from '../../outbox/refreshSaved';
import type { Done } from '../../outbox/sendAll';
import { dropPicture } from '../../outbox/waitingPictures';
import { forgetBookedIn } from '../bookIn/bookInDraft';
import { jobKeys } from '../jobs/jobKeys';
import { draftKey } from '../openings/draftKey';
import { openingKeys } from '../openings/openingKeys';
import { NEW_VEHICLE_DRAFT } from '../vehicles/newVehicleDraft';
import type { SavedVehicle } from '../vehicles/useSaveVehicle';

export function takeOver(queries: QueryClient, personId: string): Done {
  return (entry, answer) => take(queries, personId, entry, answer);
}

async function take(queries: QueryClient, personId: string, entry: Entry, answer: unknown): Promise<void> {
  for (const queryKey of [jobKeys.all, ['orders'], ['undo'], ['history']]) void askAnew(queries, queryKey);
  if (entry.kind === 'saveOpening') {
    queries.setQueryData(openingKeys.one(entry.openingId), answer as Opening);
    // Without its draft, and without what became of it, the record before would stand there again.
    await keepAtOnce();
    // The screen may have been left before the answer came; what was typed on since stays a draft.
    const key = draftKey(personId, entry.openingId);
    await forgetDraft(deviceStore, key, entry.draft);
  } else if (entry.kind === 'addVehicle') {
    void refreshSaved(queries, 'vehicle', (answer as SavedVehicle).record.id, answer);
    await forgetDraft(deviceStore, `${draftPrefix(personId)}${NEW_VEHICLE_DRAFT}`, entry.draft);
  } else if (entry.kind === 'saveRecord') {
    void refreshSaved(queries, entry.of, entry.recordId, answer);
    await forgetDraft(deviceStore, `${draftPrefix(personId)}${entry.formName}`, entry.draft);
  } else {
    const gone = entry.kind === 'removeOpening' ? entry.openingId : null;
    void queries.invalidateQueries({ predicate: ({ queryKey: [name, id] }) => name === 'openings' && id !== gone });
  }
  if (entry.kind === 'addPhoto') {
    await dropPicture(deviceStore, entry);
    void askAnew(queries, ['photos']);
  }
  // The sheet may have been closed before the answer came.
  if (entry.kind === 'bookIn') await forgetBookedIn(deviceStore, personId, entry.job);
}
