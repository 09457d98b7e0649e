/** One step, large: what hurts, what the hand does, with what, and what is written down of it. */
import { type Instruction, isWebAddress, markWords, RATING_LABELS, type StepMark } from '@low-quarry/core/model';
import type { OtherSide, StepState } from '@low-quarry/core/plan';
import type { ReactNode } from 'react';
import { PanelDrawing } from '../../drawing/PanelDrawing';
import { stepMinutes } from './planView';

type StepCardProps = {
  readonly state: StepState;
  /** Of all steps, from 1. */
  readonly number: number;
  readonly total: number;
  /** What was written down at the same step of the other side; null where nothing was. */
  readonly otherSide: OtherSide | null;
  readonly children: ReactNode;
};

export function StepCard({ state: { step, mark, kind, before }, number, total, otherSide, children }: StepCardProps) {
  const { where, side, what, from, open, cautions, tools, minutes, dryMin, people, bag, counts, marked, follows } =
    step;
  return (
    <article aria-label={`Step ${number} of ${total}`} className="flex flex-col gap-4 text-[18px] leading-7">
      <p className="flex flex-wrap items-baseline gap-x-3">
        {side && <SideBadge side={side} />}
        <strong className="text-[20px]">{where}</strong>
      </p>
      {cautions.map((caution) => (
        <p key={caution} className="border-l-8 border-measure bg-paper px-4 py-2">
          {caution}
        </p>
      ))}
      <h1 tabIndex={-1} className="text-[28px] leading-9 font-bold">
        {what}
      </h1>
      {marked && (
        <PanelDrawing kind={marked.kind} spot={marked.spot} marks={[{ words: from, at: marked.at, isMain: true }]} />
      )}
      {follows.length > 0 && (
        <ul aria-label="Instructions" className="text-[16px]">
          {follows.map((each) => (
            <Follows key={each.key} instruction={each} />
          ))}
        </ul>
      )}
      {people === 2 && <p className="font-bold">Two people.</p>}
      {open !== null && <p className="text-measure">◇ {open}</p>}
      <dl className="grid grid-cols-1 gap-x-6 gap-y-2 border-y border-hairline py-3 sm:grid-cols-[repeat(auto-fit,minmax(140px,1fr))]">
        <Fact what="With">{tools.length > 0 ? tools.join(', ') : 'By hand'}</Fact>
        {bag && <Fact what={counts?.way === 'on' ? 'Out of' : 'Into'}>bag {bag}</Fact>}
        <Fact what="It takes">
          {stepMinutes(minutes).toLowerCase()}
          {dryMin > 0 && `, then ${dryMin} min to dry`}
        </Fact>
        {/* Where it says the same nothing is said twice. */}
        {!what.includes(from) && <Fact what="From">{from}</Fact>}
      </dl>
      {otherSide && kind !== 'done' && (
        <p className="border-l-8 border-action pl-4">
          On the {otherSide.side} {otherSide.by} wrote: <strong>{otherSide.words}</strong>
        </p>
      )}
      {kind === 'open' && before.length > 0 && (
        <div className="border-l-8 border-hairline pl-4">
          <p className="font-semibold">
            {before.length === 1 ? 'One step before it is open:' : `${before.length} steps before it are open:`}
          </p>
          <ul className="list-disc pl-6 text-[16px]">
            {before.slice(0, 3).map((each) => (
              <li key={each.id}>
                {each.where}: {each.what}
              </li>
            ))}
            {before.length > 3 && <li>and {before.length - 3} more.</li>}
          </ul>
        </div>
      )}
      {kind === 'again' && (
        <p className="border-l-8 border-measure pl-4 font-semibold text-measure">
          ◇ It was {markWords(mark as StepMark)}, and what the plan says of it has changed since: look again.
        </p>
      )}
      {kind === 'done' && mark && <p className="font-semibold text-clears">✓ {firstUpper(markWords(mark))}.</p>}
      {kind === 'skipped' && mark && <p className="font-semibold text-measure">◇ {firstUpper(markWords(mark))}.</p>}
      {children}
    </article>
  );
}

/** Somebody else's page: it opens beside this one. */
function Follows({ instruction: { title, where, rated } }: { readonly instruction: Instruction }) {
  const isWrong = rated?.as === 'wrong';
  return (
    <li>
      As in{' '}
      {isWebAddress(where) ? (
        <a
          href={where}
          target="_blank"
          rel="noreferrer"
          className="inline-flex min-h-12 items-center text-action underline"
        >
          {title}
        </a>
      ) : (
        <strong>
          {title}
          {where && `, ${where}`}
        </strong>
      )}
      {': '}
      <span className={isWrong ? 'font-semibold text-measure' : ''}>
        {isWrong && '◇ '}
        {rated ? `${RATING_LABELS[rated.as]} (${rated.by})` : 'nobody here has worked by it'}.
      </span>
    </li>
  );
}

/** Left and right are told apart by the word, by colour, and by which edge of it is heavy. */
function SideBadge({ side }: { readonly side: 'left' | 'right' }) {
  return (
    <span
      className={`border-2 px-3 text-[20px] font-extrabold ${side === 'left' ? 'border-action border-l-[14px] text-action' : 'border-ink border-r-[14px] bg-ink text-paper'}`}
    >
      {side === 'left' ? 'LEFT' : 'RIGHT'}
    </span>
  );
}

function Fact({ what, children }: { readonly what: string; readonly children: ReactNode }) {
  return (
    <div>
      <dt className="text-[16px] text-muted">{what}</dt>
      <dd className="font-bold">{children}</dd>
    </div>
  );
}

function firstUpper(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}
