/**
 * Connector: from the vehicle's plug to the speaker's terminals through adapters, nothing cut. No millimetre settles
 * a plug, so every "no" is a hold with the decision it asks for.
 */

import { type Check, factCheck } from '../Check';
import type { FitHarnessAdapter, FitOpening, FitSpeaker } from '../shapes';

export function connectorCheck(
  opening: FitOpening,
  speaker: FitSpeaker,
  chain: readonly FitHarnessAdapter[] | null,
): Check {
  const { wiring } = opening;
  switch (wiring.kind) {
    case 'noWires':
      return factCheck(
        'connector',
        'hold',
        'This trim has no speaker wires here: new wire has to be run before a speaker makes sense.',
      );
    case 'unknown':
      return factCheck(
        'connector',
        'hold',
        'The factory plug has not been looked at: note which connector it is, or that there is none.',
      );
    case 'connector':
      return chain
        ? factCheck(
            'connector',
            'clears',
            `${wiring.connectorName} to ${speaker.terminals} through ${chainWords(chain)}; nothing is cut.`,
          )
        : factCheck(
            'connector',
            'hold',
            `No adapter leads from ${wiring.connectorName} to ${speaker.terminals}: cutting the loom would be a decision.`,
          );
  }
}

function chainWords(chain: readonly FitHarnessAdapter[]): string {
  return chain.map(({ name }) => name).join(', then ');
}
