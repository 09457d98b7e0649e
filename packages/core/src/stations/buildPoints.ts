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
  const next = nextBuildStep(record.build);
  if (next === null) return [];
  const label = placeLabel(record);
  const common = { id: `build ${id}`, station: 'build', askedAt: 'bay' } as const;
  if (state.kind === 'chosen' && state.heldBack === null) {
    const { words, stake } = NEXT[next];
    return [{ ...common, words: `${label}: ${words}`, stake, settledAt: { kind: 'build' }, isHeld: false }];
  }
  if (record.build.length === 0) return [];
  // A panel that is off is open work, whatever became of the choice.
  const words =
    state.kind === 'chosen'
      ? `${label}: work has begun, and ${state.speakerName} is held back.`
      : `${label}: work has begun, and nothing is chosen for it.`;
  const stake =
    state.kind === 'chosen'
      ? (state.heldBack ?? '')
      : 'The car does not leave with a hole, or with a speaker that is on no list.';
  return [{ ...common, words, stake, settledAt: { kind: 'match', openingId: id }, isHeld: true }];
}
