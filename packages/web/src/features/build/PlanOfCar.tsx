/** The work on a car, step by step, as its record says it now: what is done, what comes next, what can hurt, and the line that each follows from. */
import type { Job } from '@low-quarry/core/contracts/jobs';
import { listed } from '@low-quarry/core/listed';
import { markWords, type ShopSettings } from '@low-quarry/core/model';
import { marksWithoutStep, nextStep, planTools, type StepState } from '@low-quarry/core/plan';
import { useState } from 'react';
import { flushSync } from 'react-dom';
import { addressOf } from '../../stations/addressOf';
import { whenWords } from '../../text/whenWords';
import { Button, LinkButton } from '../../ui/Button';
import { aboutWords, planGroups, stepMinutes } from './planView';
import { ScrewMap } from './ScrewMap';
import type { BayAtHand } from './useBay';
import type { PlanAtHand } from './usePlan';
import { WhoAndWhen } from './WhoAndWhen';
import { WorkCard } from './WorkCard';

type PlanOfCarProps = {
  readonly job: Job;
  readonly plan: PlanAtHand;
  readonly atHand: BayAtHand;
  /** What nothing may be begun before, in words. */
  readonly held: readonly string[];
  /** Null while it is on its way: then nothing is printed. */
  readonly shop: ShopSettings | null;
};

export function PlanOfCar({ job, plan: { steps, minutes, states }, atHand, held, shop }: PlanOfCarProps) {
  const [paper, setPaper] = useState<'card' | 'screws'>('card');
  if (steps.length === 0) return null;
  const print = (what: typeof paper) => {
    flushSync(() => setPaper(what));
    window.print();
  };
  const unsure = steps.filter((step) => step.open !== null).length;
  const toDo = states.filter(({ kind }) => kind === 'open' || kind === 'again');
  const left = toDo.reduce((sum, { step }) => sum + step.minutes, 0);
  const next = nextStep(states);
  const orphans = marksWithoutStep(steps, atHand.bay);
  const numbers = new Map(steps.map(({ id }, at) => [id, at]));
  const address = addressOf('steps', { jobId: job.id });
  return (
    <>
      <section aria-label="The plan" className="only-screen flex flex-col gap-2">
        <h2 className="border-b border-ink text-[18px] font-bold">The plan</h2>
        <p>
          <strong>
            {toDo.length === steps.length
              ? `${steps.length} steps, ${aboutWords(minutes)} for one person`
              : toDo.length === 0
                ? `All ${steps.length} steps are done, or left out with a reason`
                : `${steps.length - toDo.length} of ${steps.length} steps done, ${aboutWords(left)} left for one person`}
          </strong>
          {unsure > 0 && (
            <span className="text-measure">
              {' '}
              ◇ {unsure === 1 ? 'one of them rests' : `${unsure} of them rest`} on what nobody looked at or decided
            </span>
          )}
        </p>
        {next && (
          <p>
            Next: <strong>{next.step.where}.</strong> {next.step.what}
          </p>
        )}
        <LinkButton kind="main" className="self-start" to={address}>
          {toDo.length === steps.length ? 'Begin, one step at a time' : 'Go on, one step at a time'}
        </LinkButton>
        {toDo.length > 0 && <WhoAndWhen toDo={toDo} />}
        {orphans.map(([id, mark]) => (
          <p key={id} className="text-measure">
            ◇ Ticked, and no step of the plan any more: {mark.words ?? id.replace(/^(panel|opening \S+) /, '')},{' '}
            {markWords(mark)}.
          </p>
        ))}
        <details>
          <summary className="min-h-12 cursor-pointer py-3 text-action underline">Show all steps</summary>
          <div className="flex flex-col gap-3">
            <p className="max-w-2xl text-muted">
              It follows from what is written down of the car, and changes with it. Minutes are common practice. The
              vehicle maker’s manual goes before it. Quieting has no steps in it.
            </p>
            <div className="flex flex-wrap gap-2">
              <Button onClick={() => print('card')}>Print the work card</Button>
              <Button onClick={() => print('screws')}>Print the screw map and bag labels</Button>
            </div>
            <p>
              <strong>Tools:</strong> {planTools(steps).join('; ')}.
            </p>
            {planGroups(states).map(({ where, states: own }) => (
              <div key={own[0]?.step.id}>
                <h3 className="font-bold">{where}</h3>
                <ol>
                  {own.map((state) => (
                    <StepLine
                      key={state.step.id}
                      state={state}
                      number={states.indexOf(state) + 1}
                      after={state.step.after.map((id) => (numbers.get(id) ?? 0) + 1)}
                      address={`${address}?at=${encodeURIComponent(state.step.id)}`}
                    />
                  ))}
                </ol>
              </div>
            ))}
          </div>
        </details>
      </section>
      {shop && paper === 'card' && <WorkCard {...{ job, shop, states, minutes, held }} />}
      {shop && paper === 'screws' && <ScrewMap {...{ job, shop, steps }} />}
    </>
  );
}

type StepLineProps = {
  readonly state: StepState;
  readonly number: number;
  /** The numbers of what must be before it. */
  readonly after: readonly number[];
  readonly address: string;
};

const SIGNS: Readonly<Record<StepState['kind'], string>> = { open: '☐', done: '✓', skipped: '◇', again: '◇' };
const SIGN_WORDS: Readonly<Record<StepState['kind'], string>> = {
  open: 'open',
  done: 'done',
  skipped: 'left out',
  again: 'done, and changed since',
};

function StepLine({ state: { step, mark, kind }, number, after, address }: StepLineProps) {
  const { what, from, open, people, cautions, tools, minutes } = step;
  return (
    <li value={number} className="grid grid-cols-[56px_1fr] gap-x-2 border-t border-hairline py-2">
      <span className="text-right font-bold">
        <span aria-hidden="true">{SIGNS[kind]}</span> {number}
      </span>
      <span className="flex flex-col gap-0.5">
        {kind === 'open' &&
          cautions.map((caution) => (
            <span key={caution} className="border-l-4 border-measure pl-2">
              {caution}
            </span>
          ))}
        <LinkButton kind="quiet" className="-ml-2 inline-flex items-center text-left" to={address}>
          <span>
            {what} <span className="sr-only">({SIGN_WORDS[kind]})</span>
          </span>
        </LinkButton>
        {people === 2 && <strong>Two people.</strong>}
        {open !== null && <span className="text-measure">◇ {open}</span>}
        {mark && (
          <span className={kind === 'done' ? 'text-clears' : 'text-measure'}>
            {kind === 'again' ? 'The plan says something else since it was ' : ''}
            {markWords(mark)}, {whenWords(mark.at, new Date())}
          </span>
        )}
        <span className="text-[13px] text-muted">
          {[
            ...(tools.length > 0 ? [`With: ${tools.join(', ')}`] : []),
            stepMinutes(minutes),
            ...(after.length > 0 ? [`After: ${listed(after.map(String))}`] : []),
            `From: ${from}`,
          ].join('. ')}
        </span>
      </span>
    </li>
  );
}
