/** One opening in the bay: what goes in, what comes off before, what can hurt, and how far it is. */
import type { OpeningWithState } from '@low-quarry/core/contracts/jobs';
import { workWords } from '@low-quarry/core/fit';
import { type Bay, type BuildStep, cautionsFor, placeLabel } from '@low-quarry/core/model';
import { type JointLine, progressAt } from '@low-quarry/core/stations';
import { useSettings } from '../../ui/settings';
import { PanelInFront } from '../panels/PanelInFront';

/** By what comes next. */
const PROGRESS: Readonly<Record<BuildStep | 'nothing', string>> = {
  panelOff: 'nothing yet.',
  fitted: 'the panel is off, the old speaker out.',
  tested: 'the new speaker is in, and nobody has heard it.',
  closed: 'it was heard; its panel is open.',
  nothing: 'all of it.',
};

type OpeningBuildProps = {
  readonly opening: OpeningWithState;
  readonly bay: Bay;
  readonly vehicleId: string;
  /** Its own. */
  readonly joints: readonly JointLine[];
};

export function OpeningBuild({ opening, bay, vehicleId, joints }: OpeningBuildProps) {
  const { unit } = useSettings();
  const { record, state } = opening;
  const label = placeLabel(record);
  const { next } = progressAt(bay, opening);
  return (
    <section aria-label={label} className="flex flex-col gap-3">
      <h2 className="border-b border-ink text-[18px] font-bold">{label}</h2>
      {state.kind === 'chosen' ? (
        <p>
          In goes <strong>{state.speakerName}</strong>.
          {state.heldBack !== null && (
            <strong className="block text-hold">It is held back, and work on it has begun: {state.heldBack}</strong>
          )}
        </p>
      ) : (
        <p className="font-semibold text-hold">Work has begun here, and nothing is chosen for it any more.</p>
      )}
      {state.kind === 'chosen' &&
        state.works.map((work) => (
          <p key={work.kind} className="font-semibold">
            By hand: {workWords(work, unit)}
          </p>
        ))}
      <ul className="flex list-disc flex-col gap-1 pl-6">
        {cautionsFor(record).map((caution) => (
          <li key={caution}>{caution}</li>
        ))}
      </ul>
      {joints.map(({ id, count, sentence, next }) => (
        <p key={id} className={count === null ? 'text-measure' : ''}>
          {count === null && '◇ '}
          <strong>Wires:</strong> {sentence} {next}
        </p>
      ))}
      <PanelInFront vehicleId={vehicleId} record={record} />
      <p>
        <strong>Done:</strong> {PROGRESS[next ?? 'nothing']}
      </p>
    </section>
  );
}
