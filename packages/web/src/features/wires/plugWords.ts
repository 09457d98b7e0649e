/** What of an opening's plug is told, on the screen and on paper. */
import type { ConnectorRecord } from '@low-quarry/core/catalogue';
import { capital } from '@low-quarry/core/firstLetter';
import { hasEarlier, type OpeningRecord, plugFaceWords } from '@low-quarry/core/model';
import { presenceWords, WIRING_WORDS } from '../../text/words';

/** Checks of a choice that are about its wires. */
export const WIRE_CHECKS: ReadonlySet<string> = new Set(['connector', 'chime', 'wireWay']);

export function plugWords(record: OpeningRecord, connectors: readonly ConnectorRecord[]): string {
  const { wiring } = record;
  if (hasEarlier(record, 'plugCut')) return 'cut off before; the wires have to be joined';
  if (wiring.kind === 'unknown') return `not looked at. ${capital(presenceWords(record))}`;
  if (wiring.kind === 'noWires') return 'none, no wires come here';
  if (wiring.kind !== 'connector') return WIRING_WORDS[wiring.kind].toLowerCase();
  return connectors.find(({ id }) => id === wiring.connectorId)?.name ?? wiring.connectorId;
}

/** A line for each plug whose pins were noted. */
export function pinLines({ plugFaces }: Pick<OpeningRecord, 'plugFaces'>): readonly string[] {
  return plugFaces.map((face, at) => `Its ${plugFaceWords(face, at)}.`);
}
