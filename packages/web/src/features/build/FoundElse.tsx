/** The plan did not know of it: it is written down where the plan, the fit and the order follow from, and the counter sees it. */
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import { type Panel, panelLabel, panelStepId, panelsInFrontOf, placeLabel } from '@low-quarry/core/model';
import type { PlanStep } from '@low-quarry/core/plan';
import { Link } from 'react-router';
import { addressOf } from '../../stations/addressOf';
import { panelFormAddress } from '../panels/panelAddress';
import { FoundBeam } from './FoundBeam';
import { StepWords } from './StepWords';

type FoundElseProps = {
  readonly job: Job;
  readonly step: PlanStep;
  readonly worked: readonly OpeningWithState[];
  /** Of the vehicle. */
  readonly panels: readonly Panel[];
  readonly onFound: (words: string) => void;
  /** The same, of what went into a record: what it changes is looked at here. */
  readonly onTell: (words: string) => void;
};

const LINK = 'inline-flex min-h-12 items-center text-action underline';

export function FoundElse({ job, step, worked, panels, onFound, onTell }: FoundElseProps) {
  const isHere = (panel: Pick<Panel, 'kind' | 'spot' | 'name'>) => step.id.startsWith(panelStepId(panel, ''));
  const around = worked.map((opening) => ({ opening, inFront: panelsInFrontOf(opening.record, panels) }));
  const near = around.filter(
    ({ opening, inFront }) => step.id.startsWith(`opening ${opening.id} `) || inFront.some(isHere),
  );
  const found = near.flatMap(({ inFront }) => inFront);
  const own = found.filter((panel, at) => found.findIndex((each) => panelLabel(each) === panelLabel(panel)) === at);
  return (
    <StepWords
      label="What you found"
      hint="The counter sees it at once, and it stays open until somebody has dealt with it."
      most={300}
      button="Tell the counter"
      whenEmpty="Type what you found."
      onKeep={onFound}
    >
      {near.length > 0 && (
        <div>
          {near.map(({ opening }) => (
            <FoundBeam key={opening.id} opening={opening} onTell={onTell} />
          ))}
          <p>What fits, what is ordered and the rest of the work follow from what is written down here:</p>
          <ul className="list-disc pl-6">
            {own.map((panel) => (
              <li key={panelLabel(panel)}>
                <Link className={LINK} to={panelFormAddress(job.vehicle.id, panel, panels)}>
                  Another fixing, clip or plug: {panelLabel(panel).toLowerCase()}
                </Link>
              </li>
            ))}
            {near.map(({ opening: { id, record } }) => (
              <li key={id}>
                <Link className={LINK} to={addressOf('measure', { jobId: job.id, openingId: id })}>
                  A beam, a bolt or another length: {placeLabel(record).toLowerCase()}
                </Link>
              </li>
            ))}
          </ul>
        </div>
      )}
    </StepWords>
  );
}
