/** The work on a car, step by step, as its record says it now: what, with which tool, what can hurt, and the line that it follows from. */
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import type { Panel, ShopSettings } from '@low-quarry/core/model';
import { carPlan, type PlanStep } from '@low-quarry/core/plan';
import { useMemo } from 'react';
import { Button } from '../../ui/Button';
import { useSettings } from '../../ui/settings';
import { aboutWords, type PlanWires, planCar, planGroups, planTools, stepMinutes } from './planView';
import { WorkCard } from './WorkCard';

type PlanOfCarProps = {
  readonly job: Job;
  readonly openings: readonly OpeningWithState[];
  readonly panels: readonly Panel[];
  readonly wires: PlanWires;
  /** What nothing may be begun before, in words. */
  readonly held: readonly string[];
  /** Null while it is on its way: nothing is printed, and keys prove nothing. */
  readonly shop: ShopSettings | null;
};

export function PlanOfCar({ job, openings, panels, wires, held, shop }: PlanOfCarProps) {
  const { unit } = useSettings();
  const keysProve = shop?.polarityProof === 'testOrKey';
  const { steps, minutes } = useMemo(
    () => carPlan(planCar(job, openings, panels, wires), { keysProve, unit }),
    [job, openings, panels, wires, keysProve, unit],
  );
  if (steps.length === 0) return null;
  const groups = planGroups(steps);
  const open = steps.filter((step) => step.open !== null).length;
  const numbers = new Map(steps.map(({ id }, at) => [id, at + 1]));
  return (
    <>
      <section aria-label="The plan" className="only-screen flex flex-col gap-2">
        <h2 className="border-b border-ink text-[18px] font-bold">The plan</h2>
        <details>
          <summary className="min-h-12 cursor-pointer py-3">
            <strong>
              {steps.length} steps, {aboutWords(minutes)} for one person
            </strong>
            {open > 0 && (
              <span className="text-measure">
                {' '}
                ◇ {open === 1 ? 'one of them rests' : `${open} of them rest`} on what nobody looked at or decided
              </span>
            )}{' '}
            <span className="text-action underline">Show them</span>
          </summary>
          <div className="flex flex-col gap-3">
            <p className="max-w-2xl text-muted">
              It follows from what is written down of the car, and changes with it. Minutes are common practice. The
              vehicle maker’s manual goes before it. Radio, fascia and quieting have no steps in it.
            </p>
            <Button className="self-start" onClick={() => window.print()}>
              Print the work card
            </Button>
            <p>
              <strong>Tools:</strong> {planTools(steps).join('; ')}.
            </p>
            {groups.map(({ where, steps: own }) => (
              <div key={own[0]?.id}>
                <h3 className="font-bold">{where}</h3>
                <ol>
                  {own.map((step) => (
                    <StepLine key={step.id} step={step} number={numbers.get(step.id) as number} />
                  ))}
                </ol>
              </div>
            ))}
          </div>
        </details>
      </section>
      {shop && <WorkCard {...{ job, shop, steps, minutes, held }} />}
    </>
  );
}

function StepLine({ step, number }: { readonly step: PlanStep; readonly number: number }) {
  const { what, from, open, people, cautions, tools, minutes } = step;
  return (
    <li value={number} className="grid grid-cols-[40px_1fr] gap-x-2 border-t border-hairline py-2">
      <span className="text-right font-bold">{number}</span>
      <span className="flex flex-col gap-0.5">
        {cautions.map((caution) => (
          <span key={caution} className="border-l-4 border-measure pl-2">
            {caution}
          </span>
        ))}
        <span>
          {what}
          {people === 2 && <strong> Two people.</strong>}
        </span>
        {open !== null && <span className="text-measure">◇ {open}</span>}
        <span className="text-[13px] text-muted">
          {[...(tools.length > 0 ? [`With: ${tools.join(', ')}`] : []), stepMinutes(minutes), `From: ${from}`].join(
            '. ',
          )}
        </span>
      </span>
    </li>
  );
}
