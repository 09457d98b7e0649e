/** The plan on paper, to be ticked by hand: black and white, read at arm's length. */
import type { Job } from '@low-quarry/core/contracts/jobs';
import type { ShopSettings } from '@low-quarry/core/model';
import { planTools, type StepState } from '@low-quarry/core/plan';
import { PaperHead } from '../jobs/PaperHead';
import { aboutWords } from './planView';

type WorkCardProps = {
  readonly job: Job;
  readonly shop: ShopSettings;
  readonly states: readonly StepState[];
  readonly minutes: number;
  /** What nothing may be begun before, in words. */
  readonly held: readonly string[];
};

export function WorkCard({ job, shop, states, minutes, held }: WorkCardProps) {
  const steps = states.map(({ step }) => step);
  return (
    <article className="only-print text-[16px] leading-6 text-black" aria-hidden="true">
      <PaperHead
        job={job}
        shop={shop}
        title={`Work card, job ${job.number}`}
        car={`${steps.length} steps, ${aboutWords(minutes)} for one person`}
      />
      {held.map((words) => (
        <p key={words} className="border-b border-black py-1 font-bold">
          ◆ Hold: {words}
        </p>
      ))}
      <p className="pt-2">Quieting has no steps here. The vehicle maker’s manual goes before it.</p>
      <p className="py-2">
        <strong>Tools:</strong> {planTools(steps).join('; ')}.
      </p>
      {states.map(({ step, kind }, at) => (
        <section key={step.id} className="break-inside-avoid border-t border-black py-1.5">
          {steps[at - 1]?.where !== step.where && <h2 className="text-[18px] font-bold">{step.where}</h2>}
          {step.cautions.map((caution) => (
            <p key={caution} className="border-l-4 border-black pl-2">
              {caution}
            </p>
          ))}
          <p className="flex gap-2">
            <span>{kind === 'done' ? '☑' : '☐'}</span>
            <strong>{at + 1}</strong>
            <span>
              {step.what}
              {step.people === 2 && <strong> Two people.</strong>}
              {step.tools.length > 0 && ` With: ${step.tools.join(', ')}.`}
              {step.open !== null && ` ◇ ${step.open}`}
            </span>
          </p>
        </section>
      ))}
    </article>
  );
}
