/** What screens need of the catalogue at once; whole parts they ask for by their ids. */

import type { ConnectorRecord, PartRecord } from '@low-quarry/core/catalogue';
import type { Unreadable } from '@low-quarry/core/contracts/unreadable';
import { ListedParts } from './ListedParts';
import type { ListedText } from './listedText';

/** As it is kept, and as a worker sends it. */
export type KeptKnown = {
  /** Another one, another catalogue: whatever was worked out with it is asked for anew. */
  readonly version: string;
  readonly listed: ListedText;
  readonly connectors: readonly ConnectorRecord[];
  /** Spacers and harness adapters, whole: any speaker may take any of them. */
  readonly shelf: readonly PartRecord[];
  readonly unreadable: readonly Unreadable[];
};

export type KnownCatalogue = Omit<KeptKnown, 'listed'> & { readonly listed: ListedParts };

export function toKnown({ listed, ...kept }: KeptKnown): KnownCatalogue {
  return { ...kept, listed: new ListedParts(listed) };
}
