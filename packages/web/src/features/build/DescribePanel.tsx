/** A panel that nobody has described is described while it comes off: the next car has it. */
import type { Job } from '@low-quarry/core/contracts/jobs';
import { type Panel, panelLabel, panelStepId } from '@low-quarry/core/model';
import type { PlanStep } from '@low-quarry/core/plan';
import { LinkButton } from '../../ui/Button';
import { panelFormAddress } from '../panels/panelAddress';

type DescribePanelProps = {
  readonly job: Job;
  readonly step: PlanStep;
  /** Of the vehicle. */
  readonly panels: readonly Panel[];
};

export function DescribePanel({ job, step, panels }: DescribePanelProps) {
  const [, kind, spot] = /^panel (\w+) (\w+) .*off$/.exec(step.id) ?? [];
  if (step.open === null || kind === undefined || spot === undefined) return null;
  const known = panels.find((panel) => step.id === panelStepId(panel, 'off'));
  const panel = known ?? ({ kind, spot, name: '' } as Pick<Panel, 'kind' | 'spot' | 'name'>);
  return (
    <LinkButton className="self-start" to={panelFormAddress(job.vehicle.id, panel, panels)}>
      Write down what holds it: {panelLabel(panel).toLowerCase()}
    </LinkButton>
  );
}
