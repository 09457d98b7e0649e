/** The listed parts of a catalogue as screens look them up. */
import type { ListedPart } from '@low-quarry/core/catalogue';
import type { KnownCatalogue } from './KnownCatalogue';

export type ListedView = {
  readonly parts: ReadonlyMap<string, ListedPart>;
  /** In the order in which the engine counts them. */
  readonly speakerIds: readonly string[];
};

export function listedView({ listed }: Pick<KnownCatalogue, 'listed'>): ListedView {
  return {
    parts: new Map(listed.map((part) => [part.id, part])),
    speakerIds: listed.filter(({ kind }) => kind === 'speaker').map(({ id }) => id),
  };
}
