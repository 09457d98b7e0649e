/** Is it the speaker at all? One test after the other, the cheapest way to the one cause that is left. */
import { foundCause, type OldSpeaker, trialsOf } from '@low-quarry/core/model';
import {
  CAUSE_WORDS,
  causesLeft,
  faultAnswers,
  faultTestLabel,
  faultTestMinutes,
  nextFaultTest,
} from '@low-quarry/core/sound';
import { Button } from '../../ui/Button';

type FaultTreeProps = {
  readonly old: OldSpeaker;
  readonly onChange: (change: Pick<OldSpeaker, 'trials'>) => void;
};

export function FaultTree({ old, onChange }: FaultTreeProps) {
  const trials = trialsOf(old);
  const cause = foundCause(old);
  const next = cause ? null : nextFaultTest(trials);
  const left = causesLeft(trials);
  return (
    <section
      aria-label="Is it the speaker at all?"
      className="flex flex-col gap-2 border-l-4 border-hold bg-paper px-3 py-2"
    >
      <h3 className="font-bold">Is it the speaker at all?</h3>
      {old.trials.length > 0 && (
        <ol>
          {old.trials.map(({ test, isShown }) => (
            <li key={test}>
              {faultTestLabel(test)}: <strong>{isShown ? faultAnswers(test).shown : faultAnswers(test).not}</strong>
            </li>
          ))}
        </ol>
      )}
      <p role="status" className="font-semibold">
        {cause
          ? `It is ${CAUSE_WORDS[cause]}.`
          : left.length === 0
            ? 'What was found contradicts itself: take the last test back and make it again.'
            : `Still possible: ${left.map((each) => CAUSE_WORDS[each]).join('; ')}.`}
      </p>
      {next && (
        <>
          <p>
            Next, about {faultTestMinutes(next)} {faultTestMinutes(next) === 1 ? 'minute' : 'minutes'}:{' '}
            <strong>{faultTestLabel(next)}</strong>
          </p>
          <span className="flex flex-wrap gap-2">
            {([true, false] as const).map((isShown) => (
              <Button
                key={String(isShown)}
                onClick={() => onChange({ trials: [...old.trials, { test: next, isShown }] })}
              >
                {isShown ? faultAnswers(next).shown : faultAnswers(next).not}
              </Button>
            ))}
          </span>
        </>
      )}
      {old.trials.length > 0 && (
        <Button kind="quiet" className="self-start" onClick={() => onChange({ trials: old.trials.slice(0, -1) })}>
          Take the last test back
        </Button>
      )}
    </section>
  );
}
