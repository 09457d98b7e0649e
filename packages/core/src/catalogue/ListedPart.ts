/** Of a part what lists show and filter by: a device has those of the whole catalogue at hand, and whole parts by their ids. */
import { orderedId, STATE_MARK } from './bracket/snapOffs';
import type { Claim } from './claims';
import type { PartKind } from './kindNames';
import type { Orderable } from './orderable';
import { entryOf, type PartRecord } from './partKinds';
import type { PART_TABLE } from './partTable';

export type ListedClaim = Pick<Claim, 'vehicleId' | 'place' | 'says' | 'by' | 'on'>;

type ListedOf<Kind extends PartKind> = Pick<Orderable, 'id' | 'maker' | 'name'> & {
  /** There where it is so: lists of thousands are kept as text. */
  readonly isDiscontinued?: boolean;
  readonly claims?: readonly ListedClaim[];
} & { readonly kind: Kind } & Readonly<ReturnType<(typeof PART_TABLE)[Kind]['listed']>>;
export type ListedPart = { [Kind in PartKind]: ListedOf<Kind> }[PartKind];
export type ListedSpeaker = ListedOf<'speaker'>;
/** However the listed parts of a catalogue are kept: one by its id. */
export type ListedById = Pick<ReadonlyMap<string, ListedPart>, 'get'>;

export function toListedPart(part: PartRecord): ListedPart {
  const { id, kind, maker, name, isDiscontinued, claims } = part;
  return {
    id,
    kind,
    maker,
    name,
    ...(isDiscontinued ? { isDiscontinued } : {}),
    ...(claims.length > 0 ? { claims: claims.map(({ notedBy: _, ...claim }) => claim) } : {}),
    ...(entryOf(part).listed(part) as object),
  } as ListedPart;
}

/** A bracket's state by the id of a layer; null for a bracket as it comes, and for what has no such state. */
export function snapOffNamed(layerId: string, part: ListedPart | undefined): string | null {
  if (part?.kind !== 'bracket') return null;
  return part.snapOffs.find(({ id }) => layerId === `${part.id}${STATE_MARK}${id}`)?.name ?? null;
}

/** Whether it is a speaker that the fit can judge: one without what the fit needs is none. */
export function isJudgedSpeaker(part: ListedPart | undefined): part is ListedSpeaker {
  return part?.kind === 'speaker' && part.lacks === undefined;
}

/** Whether a layer of this id is a bracket, in a state that it has, or a spacer. */
export function isListedLayer(layerId: string, parts: ListedById): boolean {
  const part = parts.get(orderedId(layerId));
  if (part?.kind === 'spacer') return part.id === layerId;
  return part?.kind === 'bracket' && (part.id === layerId || snapOffNamed(layerId, part) !== null);
}
