/** What is to be done next at each opening that something may be ordered for: one step at a time, the panel closed last. */
import { type Bay, type BuildStep, isDone, openingStepId, panelAt, panelMarks, placeLabel } from '../model';
import type { OpenPoint, PointJob, PointOpening } from './point';

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

type Worked = {
  readonly id: string;
  readonly record: Pick<PointOpening['record'], 'place' | 'side' | 'presence' | 'build'>;
};

/** How far the work at an opening is, as it is ticked, or was by an earlier program. */
export type Progress = {
  /** Null where its panel is closed. */
  readonly next: BuildStep | null;
  readonly isBegun: boolean;
  /** A panel in front of it is closed, and nobody heard it. */
  readonly isClosedUnheard: boolean;
};

export function progressAt({ steps }: Pick<Bay, 'steps'>, { id, record }: Worked): Progress {
  const has = (stepId: string) => isDone(steps[stepId]);
  const before = (step: BuildStep) => record.build.some((each) => each.step === step);
  const where = panelAt(record.place, record.side);
  const inFront = where === null ? [] : panelMarks({ steps }, where);
  const isClosed = inFront.length > 0 && inFront.every((panel) => panel.isClosed);
  const isHeard = before('tested') || has(openingStepId(id, 'heard'));
  const isIn = before('fitted') || has(openingStepId(id, 'in'));
  const isOff =
    before('panelOff') ||
    (record.presence === 'fitted' || record.presence === 'notLooked'
      ? has(openingStepId(id, 'out'))
      : inFront.some((panel) => panel.isOff));
  const next = !isIn
    ? isOff
      ? 'fitted'
      : 'panelOff'
    : !isHeard
      ? 'tested'
      : isClosed || before('closed') || where === null
        ? null
        : 'closed';
  return { next, isBegun: isOff || isIn || isHeard, isClosedUnheard: isClosed && !isHeard };
}

export function buildPoints({ id, record, state }: PointOpening, { bay }: Pick<PointJob, 'bay'>): readonly OpenPoint[] {
  const { next, isBegun, isClosedUnheard } = progressAt(bay, { id, record });
  const label = placeLabel(record);
  const common = { id: `build ${id}`, station: 'build', askedAt: 'bay' } as const;
  if (isBegun && isClosedUnheard)
    return [
      {
        ...common,
        words: `${label}: its panel is closed, and nobody heard it.`,
        stake: 'A speaker that is silent behind a closed panel costs an hour; a pinched wire the amplifier.',
        settledAt: { kind: 'build' },
        isHeld: true,
      },
    ];
  if (next === null) return [];
  if (state.kind === 'chosen' && state.heldBack === null) {
    const { words, stake } = NEXT[next];
    return [{ ...common, words: `${label}: ${words}`, stake, settledAt: { kind: 'build' }, isHeld: false }];
  }
  if (!isBegun) return [];
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

/** What was found besides: the car stands open, and whoever found it waits. */
export function foundPoints({ bay }: Pick<PointJob, 'bay'>): readonly OpenPoint[] {
  return bay.found
    .filter(({ settled }) => settled === null)
    .map(({ key, where, words, by }) => ({
      ...{ id: `found ${key}`, station: 'build', askedAt: null, settledAt: { kind: 'build' }, isHeld: false },
      words: `${where}: ${words} (${by})`,
      stake: 'Found in the bay: what fits, what is ordered and the rest of the work may follow from it.',
    }));
}

/** What was left out with a reason, or wants a second person. */
export function bayPoints({ bay }: Pick<PointJob, 'bay'>): readonly OpenPoint[] {
  const common = { askedAt: 'bay', settledAt: { kind: 'build' } } as const;
  const marks = Object.entries(bay.steps);
  return [
    ...marks
      .filter(([, { state }]) => state === 'skipped')
      .map(
        ([id, { by, reason, words }]): OpenPoint => ({
          ...common,
          id: `skipped ${id}`,
          station: 'build',
          words: `Left out: ${words ?? 'a step'}`,
          stake: `${by}: ${reason}`,
          isHeld: false,
        }),
      ),
    ...marks
      .filter(([, { state, seconded }]) => state === 'done' && seconded === null)
      .map(
        ([id, { by, words }]): OpenPoint => ({
          ...common,
          id: `second ${id}`,
          station: 'handOver',
          words: `A second person looks at it: ${words ?? 'a step'}`,
          stake: `${by} did it. Nobody hands the car over before somebody else has looked, and signed.`,
          isHeld: true,
        }),
      ),
  ];
}
