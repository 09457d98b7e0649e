/** What works, how it sounds and what is scratched, before anybody touches the car. */
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import { type Baseline, BEFORE_WORK, baselineSchema, jobTitle, untried } from '@low-quarry/core/model';
import { useMemo } from 'react';
import { z } from 'zod';
import { useMe } from '../../api/me';
import { shopDay } from '../../text/shopDays';
import { BroughtBack } from '../../ui/BroughtBack';
import { Button } from '../../ui/Button';
import { ConflictPanel } from '../../ui/ConflictPanel';
import { FormError } from '../../ui/FormError';
import { AskedText } from '../../ui/form/AskedText';
import { useCheckedForm } from '../../ui/form/useCheckedForm';
import { useFollow } from '../../ui/form/useFollow';
import { useTypedKept } from '../../ui/form/useTypedKept';
import { fieldProblems, problemSentence } from '../../ui/problemFields';
import { toast } from '../../ui/toast';
import { useKept } from '../../ui/useKept';
import { Photos } from '../photos/Photos';
import { FunctionsFields } from './FunctionsFields';
import { ListeningFields } from './ListeningFields';
import { SignatureDrawing, SignatureField } from './SignatureField';
import { Speakers } from './Speakers';
import { TeachFunctions } from './TeachFunctions';
import { type BaselineTyped, baselineTypedSchema, readBaselineSchema, toBaselineTyped } from './typedBaseline';
import { useSaveBaseline } from './useSaveBaseline';

const draftSchema = z.object({ version: z.int(), base: baselineSchema, form: baselineTypedSchema });
type Draft = z.output<typeof draftSchema>;

function toDraft({ version, baseline }: Job): Draft {
  return { version, base: baseline, form: toBaselineTyped(baseline) };
}

type BaselineFormProps = { readonly job: Job; readonly openings: readonly OpeningWithState[] };

export function BaselineForm({ job, openings }: BaselineFormProps) {
  const { state, keep, settle, isTouched, broughtBack } = useKept<Draft>(`baseline.${job.id}`, draftSchema, () =>
    toDraft(job),
  );
  const isOwner = useMe().roles.includes('owner');
  const show = (saved: Job) => {
    const draft = toDraft(saved);
    settle(draft);
    reset(draft.form);
  };
  const { panel, save, drop, error, isPending, handedOver } = useSaveBaseline(
    job,
    (saved) => {
      show(saved);
      toast(saved.baseline.signed ? 'The baseline is signed.' : 'What was tried is saved.');
    },
    { name: `baseline.${job.id}`, onWaits: (base) => keep({ ...state, base }) },
  );
  // The same list for the same error: another one would take off what the form itself said.
  const refused = useMemo(
    () => fieldProblems(error).map(({ path, message }) => ({ message, path: path.replace(/^baseline\./, '') })),
    [error],
  );
  const form = useCheckedForm<BaselineTyped, Baseline>(readBaselineSchema, state.form, refused);
  const { control, handleSubmit, reset, watch } = form;
  useTypedKept(form, (typed) => keep({ ...state, form: typed }));
  const [signed, functions] = watch(['signed', 'functions']);
  const left = untried(job.vehicle, { functions }, openings);
  const isLocked = signed !== null;
  const send = (baseline: Baseline) => save(state.version, state.base, baseline);
  const signatureProblem = refused.find(({ path }) => path.split('.')[0] === 'signed')?.message ?? null;
  useFollow(job.version, isTouched, () => show(job));
  return (
    <form
      onSubmit={handleSubmit(send)}
      className="grid gap-x-8 gap-y-6 lg:grid-cols-2 lg:items-start"
      noValidate
      aria-label={`What works today, ${jobTitle(job)}`}
    >
      <div className="lg:col-span-2 empty:hidden">
        <BroughtBack show={broughtBack && !handedOver} onDrop={() => show(job)} />
      </div>
      <div className="flex flex-col gap-4">
        <FunctionsFields
          jobId={job.id}
          control={control}
          vehicle={job.vehicle}
          openings={openings}
          isLocked={isLocked}
        />
        <TeachFunctions vehicleId={job.vehicle.id} baseline={job.baseline} />
      </div>
      <div className="flex flex-col gap-6">
        <Speakers jobId={job.id} openings={openings} />
        <fieldset disabled={isLocked} className="flex flex-col gap-3">
          <AskedText
            control={control}
            name="radio"
            label="How the radio is set"
            hint="Bass, treble, fader, balance, stations: what it forgets without supply."
            nothing="Looked: nothing is set"
            notAsked="not looked"
          />
          <AskedText
            control={control}
            name="damage"
            label="Scratches and missing parts"
            hint="Where, how long; covers, caps and clips that are not there."
            nothing="Looked: none"
            notAsked="not looked"
          />
          <ListeningFields control={control} isLocked={isLocked} />
        </fieldset>
        <Photos
          subject={{ of: 'job', recordId: job.id, place: BEFORE_WORK }}
          label="how the car came in"
          isLocked={() => isLocked}
        />
        <section aria-label="Signature" className="flex flex-col gap-3">
          <h2 className="border-b border-ink text-[18px] font-bold">Signed for</h2>
          {signed ? (
            <>
              <SignatureDrawing signature={signed} />
              {isOwner && (
                <Button className="self-start" onClick={() => send({ ...job.baseline, signed: null })}>
                  Take the signature off
                </Button>
              )}
            </>
          ) : (
            <>
              {left.length > 0 && (
                <p className="border-l-4 border-measure bg-paper px-3 py-2">
                  {left.length === 1 ? 'One thing is' : `${left.length} things are`} not tried: a signature says nothing
                  of {left.length === 1 ? 'it' : 'them'}.
                </p>
              )}
              <SignatureField
                customer={job.customer}
                isBusy={isPending}
                error={signatureProblem}
                onSign={(signature) => handleSubmit((baseline) => send({ ...baseline, signed: signature }))()}
              />
            </>
          )}
        </section>
      </div>
      <div className="sticky bottom-0 z-10 flex flex-col gap-3 border-t border-ink bg-ground py-3 lg:col-span-2">
        <FormError>{panel ? null : problemSentence(error, state.form, refused)}</FormError>
        {panel && (
          <ConflictPanel
            what="this baseline"
            {...panel}
            onTakeTheirs={() => {
              drop();
              show(job);
            }}
          />
        )}
        {signed ? (
          <p className="font-semibold">
            Signed for by {signed.by} on {shopDay(signed.at)}: it stays as it was.
          </p>
        ) : (
          <Button kind="main" type="submit" className="self-start" disabled={isPending}>
            {isPending ? 'Saving …' : 'Save what was tried'}
          </Button>
        )}
      </div>
    </form>
  );
}
