/** What is to be done next at each opening that something may be ordered for: one step at a time, the panel closed last. */
import { type BuildStep, nextBuildStep, placeLabel } from '../model';
import type { OpenPoint, PointOpening } from './point';

const NEXT: Readonly<Record<BuildStep, { readonly words: string; readonly stake: string }>> = {
  panelOff: {
    words: 'the panel off, the old speaker out.',
    stake: 'Only with the parts at hand: a car with a hole in its door stays overnight.',
  },
  fitted: { words: 'the new speaker in, all its screws tight.', stake: 'It is tested as it stays, not as it lies.' },
  tested: {
    words: 'hear it alone, tug the joints, run the window.',
    stake: 'What is found now costs a minute; behind the closed panel an hour.',
  },
  closed: { words: 'close the panel.', stake: 'Clips in the panel, not in the door; from the top edge down.' },
};

export function buildPoints({ id, record, state }: PointOpening): readonly OpenPoint[] {
  if (state.kind !== 'chosen' || state.heldBack !== null) return [];
  const next = nextBuildStep(record.build);
  if (next === null) return [];
  const { words, stake } = NEXT[next];
  return [
    {
      id: `build ${id}`,
      station: 'build',
      askedAt: 'bay',
      words: `${placeLabel(record)}: ${words}`,
      stake,
      settledAt: { kind: 'build' },
      isHeld: false,
    },
  ];
}
