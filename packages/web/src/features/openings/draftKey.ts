import { draftPrefix } from '../../device/drafts';

/** Where the draft of an opening is kept on the device. */
export function draftKey(personId: string, openingId: string): string {
  return `${draftPrefix(personId)}opening.${openingId}`;
}
