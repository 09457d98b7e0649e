/** One opening in the bay: what goes in, what comes off before, what can hurt, and its steps, ticked one after the other. */
import type { OpeningWithState } from '@low-quarry/core/contracts/jobs';
import { workWords } from '@low-quarry/core/fit';
import {
  BUILD_STEP_LABELS,
  BUILD_STEPS,
  type BuildStep,
  cautionsFor,
  nextBuildStep,
  placeLabel,
  withBuildStep,
} from '@low-quarry/core/model';
import type { JointLine } from '@low-quarry/core/stations';
import { useMay, useMe } from '../../api/me';
import { whenWords } from '../../text/whenWords';
import { useSettings } from '../../ui/settings';
import { Tick } from '../../ui/Tick';
import { NotInShop } from '../openings/NotInShop';
import { useSaveAtOnce } from '../openings/useSaveAtOnce';
import { PanelInFront } from '../panels/PanelInFront';

type OpeningBuildProps = {
  readonly opening: OpeningWithState;
  readonly vehicleId: string;
  /** Its own. */
  readonly joints: readonly JointLine[];
};

export function OpeningBuild({ opening, vehicleId, joints }: OpeningBuildProps) {
  const { unit } = useSettings();
  const { name } = useMe();
  const mayBuild = useMay('measure');
  const { record, stuck, save } = useSaveAtOnce(opening);
  const { build } = record;
  const { state } = opening;
  const label = placeLabel(record);
  const next = nextBuildStep(build);
  const set = (step: BuildStep, isOn: boolean) => {
    const done = withBuildStep(build, step, isOn ? { by: name, at: new Date().toISOString() } : null);
    save({ ...record, build: done });
  };
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
      <fieldset disabled={!mayBuild || stuck !== undefined}>
        <legend className="font-semibold">Done</legend>
        {BUILD_STEPS.map((step) => {
          const done = build.find((each) => each.step === step);
          return (
            <div key={step} className="flex flex-wrap items-center gap-x-3">
              <Tick
                label={BUILD_STEP_LABELS[step]}
                isOn={done !== undefined}
                isLocked={!done && step !== next}
                onChange={(isOn) => set(step, isOn)}
              />
              {done && (
                <span className="text-[13px] text-muted">
                  {[done.by, whenWords(done.at, new Date())].filter(Boolean).join(', ')}
                </span>
              )}
            </div>
          );
        })}
      </fieldset>
      {stuck && <NotInShop stuck={stuck} />}
      {!mayBuild && <p className="font-semibold text-hold">You can look; ticking is for a fitter or the owner.</p>}
    </section>
  );
}
