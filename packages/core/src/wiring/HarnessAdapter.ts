/** What leads the vehicle's loom on to a speaker, as far as it takes to find a way. */

export type Terminals = 'spades 2.8 + 4.8' | 'spades 4.8 + 6.3' | 'bare ends';

/** Plugs into the factory connector on one side. */
export type HarnessAdapter = {
  readonly id: string;
  readonly name: string;
  readonly fromConnectorId: string;
  readonly to:
    | { readonly kind: 'terminals'; readonly terminals: Terminals }
    | { readonly kind: 'connector'; readonly connectorId: string };
  /** How far its plug stands out beyond the terminals, with the bend of its wires, mm; null where the catalogue does not say. */
  readonly plugMm: number | null;
  readonly pieceCostMinor: number;
};
