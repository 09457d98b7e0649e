/** Of a part what lists show and filter by: a device has those of the whole catalogue at hand, and whole parts by their ids. */
import { type BracketRecord, orderedId, type PartRecord, type SpeakerRecord, STATE_MARK } from './parts';

type Any = Pick<PartRecord, 'id' | 'maker' | 'name'>;
export type ListedSpeaker = Any & Pick<SpeakerRecord, 'kind' | 'nominalSize' | 'speakerKind' | 'impedanceOhm' | 'rmsW'>;
type ListedBracket = Any &
  Pick<BracketRecord, 'kind'> & {
    readonly snapOffs: readonly Pick<BracketRecord['snapOffs'][number], 'id' | 'name'>[];
  };

export type ListedPart = ListedSpeaker | ListedBracket | (Any & { readonly kind: 'spacer' | 'harnessAdapter' });

export function toListedPart(part: PartRecord): ListedPart {
  const { id, maker, name } = part;
  switch (part.kind) {
    case 'speaker': {
      const { kind, nominalSize, speakerKind, impedanceOhm, rmsW } = part;
      return { id, kind, maker, name, nominalSize, speakerKind, impedanceOhm, rmsW };
    }
    case 'bracket': {
      const snapOffs = part.snapOffs.map((state) => ({ id: state.id, name: state.name }));
      return { id, kind: part.kind, maker, name, snapOffs };
    }
    case 'spacer':
    case 'harnessAdapter':
      return { id, kind: part.kind, maker, name };
  }
}

/** A bracket's state by the id of a layer; null for a bracket as it comes, and for what has no such state. */
export function snapOffNamed(layerId: string, part: ListedPart | undefined): string | null {
  if (part?.kind !== 'bracket') return null;
  return part.snapOffs.find(({ id }) => layerId === `${part.id}${STATE_MARK}${id}`)?.name ?? null;
}

/** Whether a layer of this id is a bracket, in a state that it has, or a spacer. */
export function isListedLayer(layerId: string, parts: ReadonlyMap<string, ListedPart>): boolean {
  const part = parts.get(orderedId(layerId));
  if (part?.kind === 'spacer') return part.id === layerId;
  return part?.kind === 'bracket' && (part.id === layerId || snapOffNamed(layerId, part) !== null);
}
