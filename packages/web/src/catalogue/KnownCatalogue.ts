/** What screens need of the catalogue at once; whole parts they ask for by their ids. */

import type { ConnectorRecord, ListedPart, PartRecord } from '@low-quarry/core/catalogue';
import type { Unreadable } from '@low-quarry/core/contracts/library';

export type KnownCatalogue = {
  /** Another one, another catalogue: whatever was worked out with it is asked for anew. */
  readonly version: string;
  /** Every part, speakers first, in the order in which the engine counts them. */
  readonly listed: readonly ListedPart[];
  readonly connectors: readonly ConnectorRecord[];
  /** Spacers and harness adapters, whole: any speaker may take any of them. */
  readonly shelf: readonly PartRecord[];
  readonly unreadable: readonly Unreadable[];
};
