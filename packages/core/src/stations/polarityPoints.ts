/** Which wire is positive where a new speaker goes in: what is not tested is tested before the panel closes. */
import { placeLabel, polarityWeight, polarityWords } from '../model';
import { lowerFirst } from '../order';
import type { OpenPoint, PointOpening, ShopWishes } from './point';

const STAKE =
  'One reversed pair cancels the bass of all. Unplug the old speaker and hold a 1.5 V cell to its two terminals, never to the loom or an amplifier’s output: where the cone moves out, the terminal at the cell’s + had the positive wire. A tweeter shows nothing: take a meter.';

export function polarityPoints(
  { id, record, state }: PointOpening,
  { polarityProof }: ShopWishes,
): readonly OpenPoint[] {
  const weight = polarityWeight(record.polarity, polarityProof === 'testOrKey');
  // Wire that the shop runs itself is marked as it is run.
  if (state.kind !== 'chosen' || weight === 'tested' || record.wiring.kind === 'noWires') return [];
  const label = placeLabel(record);
  const words = {
    nothing: `${label}: nobody knows which wire is positive. Test it.`,
    guess: `${label}: that the positive wire is ${lowerFirst(polarityWords(record.polarity))} is a guess. Test it.`,
    evidence: `${label}: that the positive wire is ${lowerFirst(polarityWords(record.polarity))} is not tested. Test it.`,
  };
  return [
    {
      id: `polarity ${id}`,
      station: 'wire',
      askedAt: 'panelOff',
      words: words[weight],
      stake: STAKE,
      settledAt: { kind: 'measure', openingId: id },
      isHeld: false,
    },
  ];
}
