/** The step on the screen, and what a hand, a thumb or a foot does with it. */
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import { type Panel, type PhotoSubject, photoPlaceOfStep, type StepMark } from '@low-quarry/core/model';
import { missingAt, nextStep, type OtherSide, type StepState } from '@low-quarry/core/plan';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { useMay, useMe } from '../../api/me';
import { useOutbox } from '../../outbox/OutboxProvider';
import { Button } from '../../ui/Button';
import { newId } from '../../ui/newId';
import { Photos } from '../photos/Photos';
import { photosQuery } from '../photos/photoQueries';
import { shownPhotos } from '../photos/shownPhoto';
import { DescribePanel } from './DescribePanel';
import { FoundElse } from './FoundElse';
import { doneMark, type Noted, notedAt, notedMark, pressWords, skippedMark } from './marking';
import { StepCard } from './StepCard';
import { StepCounts } from './StepCounts';
import { StepTorque } from './StepTorque';
import { StepWords } from './StepWords';
import { StuckBay } from './StuckBay';
import type { BayAtHand } from './useBay';

type StepAtHandProps = {
  /** With what is done at this device. */
  readonly job: Job;
  readonly state: StepState;
  readonly states: readonly StepState[];
  readonly otherSide: OtherSide | null;
  /** Where it is among them. */
  readonly at: number;
  readonly worked: readonly OpeningWithState[];
  /** Of the vehicle. */
  readonly panels: readonly Panel[];
  readonly atHand: BayAtHand;
  /** To a step; null: to the next open one. */
  readonly go: (stepId: string | null) => void;
};

/** What stands at a step of photographs without one. */
const NO_PICTURE = 'no picture';

type Open = 'note' | 'photo' | 'found' | 'leaveOut' | null;

/** A foot that presses twice, or a hand that trembles, ticks one step, ms. */
const REST_MS = 350;

export function StepAtHand({ job, state, states, otherSide, at, worked, panels, atHand, go }: StepAtHandProps) {
  const { step, mark, kind } = state;
  const { name } = useMe();
  const mayBuild = useMay('measure');
  const [opened, setOpened] = useState<Open>(null);
  const outAt = step.counts?.outAt ?? null;
  const cameOut = outAt === null ? null : (atHand.bay.steps[outAt]?.counted?.pieces ?? null);
  const [noted, setNoted] = useState<Noted>(() => notedAt(step, mark, cameOut));
  const main = useRef<HTMLButtonElement>(null);
  const shownAt = useRef(Date.now());
  useEffect(() => main.current?.focus({ preventScroll: true }), []);
  const { bay, stuck } = atHand;
  const missing = missingAt(state, noted, bay);
  const who = () => ({ by: name, at: new Date().toISOString() });
  const isDone = kind === 'done';
  const isPhoto = step.id.endsWith(' photo');
  const photos = useQuery({ ...photosQuery('job', job.id), enabled: isPhoto });
  const { entries } = useOutbox();
  const place = photoPlaceOfStep(step.id);
  const isOfStep = (each: PhotoSubject) => each.of === 'job' && each.recordId === job.id && each.place === place;
  // What nobody can look up now is not said to be missing.
  const hasPicture = !isPhoto || !photos.data || shownPhotos(photos.data.photos, entries, isOfStep).length > 0;
  const toSecond = isDone && mark?.seconded === null;
  const maySecond = toSecond && mark?.by !== name;
  const isLocked = !mayBuild || stuck !== undefined;

  const write = (next: StepMark | null, then: 'stay' | 'next') => {
    atHand.mark(step.id, next);
    if (then === 'stay') return;
    const rest = states.map((each) => (each === state ? { ...each, kind: 'done' as const } : each));
    const later = rest.slice(at + 1).map((each) => ({ ...each, before: each.before.filter((one) => one !== step) }));
    go((nextStep(later) ?? nextStep(rest))?.step.id ?? step.id);
  };
  const done = () => {
    if (isLocked || missing !== null || Date.now() - shownAt.current < REST_MS) return;
    if (maySecond && mark) write({ ...mark, seconded: who() }, 'next');
    else if (isDone) go(nextStep(states)?.step.id ?? null);
    else write(doneMark(step, hasPicture ? noted : { ...noted, note: noted.note ?? NO_PICTURE }, who()), 'next');
  };
  const back = () => {
    const before = states[at - 1];
    if (before) go(before.step.id);
  };
  const keep = (next: Noted) => {
    setNoted(next);
    if (isLocked) return;
    const was = mark && mark.state !== 'noted' ? { ...mark, ...next } : notedMark(step, next, who());
    write(was, 'stay');
  };
  /** The counter sees it at once. */
  const tell = (words: string) => {
    const thing = { key: newId(), step: step.id, where: step.where, words };
    const found = { ...thing, ...who(), settled: null };
    // Once, also where it is written down already.
    atHand.change((before) => ({
      ...before,
      found: [...before.found.filter(({ key }) => key !== found.key), found],
    }));
  };
  useKeys({ done, back });

  const toNext = nextAfter(states, state);
  return (
    <>
      <main className="mx-auto flex w-full max-w-[1000px] flex-1 flex-col gap-4 p-4">
        <StepCard {...{ state, otherSide }} number={at + 1} total={states.length}>
          {step.counts && (
            <fieldset disabled={isLocked || isDone} className="contents">
              <StepCounts
                counts={step.counts}
                counted={noted.counted}
                cameOut={cameOut}
                onCount={(counted) => setNoted({ ...noted, counted })}
              />
            </fieldset>
          )}
          {step.hasTorque && !isDone && (
            <StepTorque torque={noted.torque} onKeep={(torque) => keep({ ...noted, torque })} />
          )}
          <DescribePanel {...{ job, step, panels }} />
          {isPhoto && <Photos subject={{ of: 'job', recordId: job.id, place }} label={step.where} />}
          {toSecond && (
            <p className="font-semibold text-hold">
              ◆{' '}
              {mark?.by === name
                ? 'Somebody else than you looks at it, signed in, and signs.'
                : `${mark?.by} did it: look at it yourself, then sign.`}{' '}
              The car is not handed over before.
            </p>
          )}
          {stuck && <StuckBay job={job} stuck={stuck} />}
          {isPhoto && !hasPicture && !isDone && (
            <p className="text-measure">◇ No picture yet: done without one, “no picture” stands there.</p>
          )}
          {!mayBuild && <p className="font-semibold text-hold">You can look; ticking is for a fitter or the owner.</p>}
          {missing !== null && !isDone && (
            <p role="status" className="border-l-8 border-hits pl-4 font-semibold text-hits">
              ✕ {missing}
            </p>
          )}
          {opened === 'note' && (
            <StepWords
              label="Note"
              hint="Short: what the next one has to know."
              most={300}
              button="Keep the note"
              atFirst={noted.note ?? ''}
              whenEmpty={null}
              onKeep={(note) => {
                keep({ ...noted, note });
                setOpened(null);
              }}
            />
          )}
          {opened === 'photo' && <Photos subject={{ of: 'job', recordId: job.id, place }} label={step.where} />}
          {opened === 'leaveOut' && (
            <StepWords
              label="Why it is left out"
              hint="It stays open on the rail, with your name and this reason."
              most={200}
              button="Leave it out for this reason"
              whenEmpty="Type why it is left out."
              onKeep={(reason) => write(skippedMark(step, noted, reason, who()), 'next')}
            />
          )}
          {opened === 'found' && (
            <FoundElse
              {...{ job, step, worked, panels }}
              onTell={tell}
              onFound={(words) => {
                tell(words);
                setOpened(null);
              }}
            />
          )}
          {mark?.note && opened !== 'note' && <p>Note: {mark.note}</p>}
        </StepCard>
      </main>
      <footer className="sticky bottom-0 border-t-2 border-ink bg-ground p-3">
        <div className="mx-auto flex w-full max-w-[1000px] flex-col gap-2">
          <p className="line-clamp-1 text-[16px] text-muted sm:line-clamp-2">
            {toNext === null ? 'It is the last one.' : `Next: ${toNext}`}
          </p>
          <div className="grid grid-cols-3 gap-2 sm:grid-cols-5">
            <Button onClick={back} disabled={at <= 0}>
              Back
            </Button>
            <Toggle what="note" {...{ opened, setOpened }} disabled={isLocked}>
              Note
            </Toggle>
            <Toggle what="photo" {...{ opened, setOpened }} disabled={!mayBuild || isPhoto}>
              Photo
            </Toggle>
            <Toggle what="found" {...{ opened, setOpened }} disabled={isLocked}>
              Found something else
            </Toggle>
            {isDone || kind === 'skipped' ? (
              <Button onClick={() => write(notedMark(step, noted, who()), 'stay')} disabled={isLocked}>
                It is not done
              </Button>
            ) : (
              <Toggle what="leaveOut" {...{ opened, setOpened }} disabled={isLocked || step.isMust}>
                {step.isMust ? 'Never left out' : 'Leave it out'}
              </Toggle>
            )}
          </div>
          <Button
            ref={main}
            kind="main"
            className="min-h-20 text-[24px]"
            disabled={isLocked || (missing !== null && !isDone)}
            onClick={done}
            onKeyDown={(event) => event.repeat && event.preventDefault()}
          >
            {maySecond
              ? `Looked at it too: sign as ${name}`
              : isDone
                ? 'On to the next open step'
                : kind === 'again'
                  ? `Looked again: ${pressWords(step, noted).toLowerCase()}`
                  : pressWords(step, noted)}
            <span className="ml-4 hidden text-[16px] font-normal sm:inline">Space or Page Down</span>
          </Button>
        </div>
      </footer>
    </>
  );
}

type ToggleProps = {
  readonly what: Exclude<Open, null>;
  readonly opened: Open;
  readonly setOpened: (next: Open) => void;
  readonly disabled: boolean;
  readonly children: string;
};

function Toggle({ what, opened, setOpened, disabled, children }: ToggleProps) {
  return (
    <Button
      aria-expanded={opened === what}
      disabled={disabled}
      onClick={() => setOpened(opened === what ? null : what)}
    >
      {children}
    </Button>
  );
}

/** A foot switch types one of these; what a hand types into a field is its own. */
function useKeys({ done, back }: { readonly done: () => void; readonly back: () => void }): void {
  const now = useRef({ done, back });
  now.current = { done, back };
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const { target, key, repeat } = event;
      if (repeat || event.ctrlKey || event.altKey || event.metaKey) return;
      if (target instanceof HTMLElement && target.closest('input, textarea, select, button, a, summary')) {
        // A button that has the focus is pressed by its own keys.
        if (key !== 'PageDown' && key !== 'PageUp') return;
        if (target.closest('input, textarea, select')) return;
      }
      if (key === ' ' || key === 'Enter' || key === 'PageDown') now.current.done();
      else if (key === 'ArrowLeft' || key === 'PageUp') now.current.back();
      else return;
      event.preventDefault();
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, []);
}

/** What comes after it, as far as it is open. */
function nextAfter(states: readonly StepState[], state: StepState): string | null {
  const open = states.filter((each) => each !== state && (each.kind === 'open' || each.kind === 'again'));
  const at = states.indexOf(state);
  const next = open.find((each) => states.indexOf(each) > at) ?? open[0];
  if (!next) return null;
  const { where, what } = next.step;
  return where === state.step.where ? what : `${where}: ${what}`;
}
