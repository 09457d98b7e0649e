/** A photo as a screen shows it, whether the shop has it or it waits on this device. */
import type { Photo } from '@low-quarry/core/contracts/photos';
import { isOfBaseline, isOfBay, type PhotoNotes, type PhotoSubject } from '@low-quarry/core/model';
import type { AddPhoto, Entry } from '../../outbox/Entry';

export type ShownPhoto =
  | { readonly kind: 'kept'; readonly id: string; readonly photo: Photo }
  | { readonly kind: 'waiting'; readonly id: string; readonly entry: AddPhoto };

export function notesOf(shown: ShownPhoto): PhotoNotes {
  return shown.kind === 'kept' ? shown.photo : shown.entry.photo;
}

export function subjectOf(shown: ShownPhoto): PhotoSubject {
  return shown.kind === 'kept' ? shown.photo : shown.entry.photo;
}

/**
 * What is shown with a record, what waits last.
 *
 * @param photos as the shop has them; of a job those of its openings too
 * @param isMeant which of them: the same for what waits
 */
export function shownPhotos(
  photos: readonly Photo[],
  entries: readonly Entry[],
  isMeant: (subject: PhotoSubject) => boolean,
): readonly ShownPhoto[] {
  const kept = photos.filter(isMeant).map((photo) => ({ kind: 'kept', id: photo.id, photo }) as const);
  const waiting = entries.flatMap((entry) =>
    entry.kind === 'addPhoto' && isMeant(entry.photo) ? [{ kind: 'waiting', id: entry.id, entry } as const] : [],
  );
  return [...kept, ...waiting];
}

/**
 * Where a photo of a job is from, where it is not the job itself.
 *
 * @param placeOf what an opening is called; null for one that was taken off the car
 */
export function originWords(subject: PhotoSubject, placeOf: (openingId: string) => string | null): string | null {
  if (subject.of === 'opening') return placeOf(subject.recordId) ?? 'A place that was taken off the car';
  if (isOfBay(subject)) return 'In the bay';
  return isOfBaseline(subject) ? 'What works today' : null;
}
