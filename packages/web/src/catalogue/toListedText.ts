/** Writes the listed parts of a catalogue as they are kept. */
import { isWhole, type PartRecord, toListedPart } from '@low-quarry/core/catalogue';
import { LINE, type ListedText } from './listedText';

/**
 * @param parts in the catalogue's order, speakers first
 * @throws Error where an id is none: it would be two lines
 */
export function toListedText(parts: readonly PartRecord[]): ListedText {
  const broken = parts.find(({ id }) => id.includes(LINE));
  if (broken) throw new Error(`toListedText: expected an id of one line, got ${JSON.stringify(broken.id)}`);
  const all = parts.filter((part) => part.kind === 'speaker');
  const speakers = all.filter(isWhole).length;
  return {
    speakers,
    lacking: all.length - speakers,
    ids: parts.map(({ id }) => id).join(LINE),
    // JSON has no line break outside of its white space.
    records: parts.map((part) => JSON.stringify(toListedPart(part))).join(LINE),
  };
}
