/** What is asked of a car, by telephone or at the counter: left and taken up, each answer with its place, none of them guessed. */
import type { Job } from '@low-quarry/core/contracts/jobs';
import {
  CONSENT_LABELS,
  EXPECTATION_LABELS,
  EXPECTATIONS,
  expectationsFor,
  type IntakeFacts,
  intakeFactsOf,
  intakeFactsSchema,
  jobTitle,
  KEEP_LABELS,
  KEEPS,
  LATER_LABELS,
  LATERS,
  needsLeave,
} from '@low-quarry/core/model';
import { CONSENT_KINDS } from '@low-quarry/core/order';
import { useRef } from 'react';
import { z } from 'zod';
import { useMay } from '../../api/me';
import { savedIntake } from '../../outbox/saved/savedIntake';
import { useSavedRecord } from '../../outbox/useSavedRecord';
import { addressOf } from '../../stations/addressOf';
import { BroughtBack } from '../../ui/BroughtBack';
import { Button } from '../../ui/Button';
import { ConflictPanel } from '../../ui/ConflictPanel';
import { FormError } from '../../ui/FormError';
import { AskedText } from '../../ui/form/AskedText';
import { FormArea } from '../../ui/form/FormArea';
import { FormDay } from '../../ui/form/FormDay';
import { FormText } from '../../ui/form/FormText';
import { useCheckedForm } from '../../ui/form/useCheckedForm';
import { useFollow } from '../../ui/form/useFollow';
import { useTypedKept } from '../../ui/form/useTypedKept';
import { fieldProblems, problemSentence } from '../../ui/problemFields';
import { toast } from '../../ui/toast';
import { useFieldInAddress } from '../../ui/useFieldInAddress';
import { useKept } from '../../ui/useKept';
import { useLeadOn } from '../../ui/useLeadOn';
import { LaterHeeds } from '../orders/LaterHeeds';
import { GoalsField } from './GoalsField';
import { OwnershipFields } from './OwnershipFields';
import { QuestionsField } from './QuestionsField';
import { TickList } from './TickList';
import { type IntakeTyped, intakeTypedSchema, readIntakeSchema, toIntakeTyped } from './typedIntake';

const draftSchema = z.object({ version: z.int(), base: intakeFactsSchema, form: intakeTypedSchema });
type Draft = z.output<typeof draftSchema>;

function toDraft(job: Job): Draft {
  return { version: job.version, base: intakeFactsOf(job), form: toIntakeTyped(intakeFactsOf(job)) };
}

export function IntakeForm({ job, currency }: { readonly job: Job; readonly currency: string }) {
  // What was typed on stays what it was, also when somebody else saves meanwhile.
  const { state, keep, settle, isTouched, broughtBack } = useKept<Draft>(`job.${job.id}`, draftSchema, () =>
    toDraft(job),
  );
  const mayChange = useMay('jobs');
  const leadOn = useLeadOn();
  const { panel, send, error, isPending, drop, handedOver } = useSavedRecord({
    kind: savedIntake,
    recordId: job.id,
    label: `What was asked of ${jobTitle(job)}`,
    form: { name: `job.${job.id}`, onWaits: (base) => keep({ ...state, base }) },
    onSaved: (saved) => {
      show(saved);
      toast('What was asked is saved.', { canUndo: true });
      leadOn(addressOf('job', { jobId: job.id }));
    },
  });
  const form = useCheckedForm<IntakeTyped, IntakeFacts>(readIntakeSchema, state.form, fieldProblems(error));
  const { control, handleSubmit, reset, watch } = form;
  useTypedKept(form, (typed) => keep({ ...state, form: typed }));
  const show = (saved: Job) => {
    const draft = toDraft(saved);
    settle(draft);
    reset(draft.form);
  };
  const [goals, keeps, later, said] = watch(['goals', 'keeps', 'later', 'expectations']);
  const toSay = expectationsFor({ goals, keeps, later, vehicle: job.vehicle });
  const sheet = useRef<HTMLFormElement>(null);
  useFieldInAddress(sheet);
  useFollow(job.version, isTouched, () => show(job));
  return (
    <form
      ref={sheet}
      onSubmit={handleSubmit((facts) => send(state.version, state.base, facts))}
      className="grid gap-x-8 gap-y-6 lg:grid-cols-2 lg:items-start"
      noValidate
    >
      <div className="lg:col-span-2 empty:hidden">
        <BroughtBack show={broughtBack && !handedOver} onDrop={() => show(job)} />
      </div>
      <Part title="Who and when">
        <div className="grid gap-3 sm:grid-cols-2">
          <At field="customer">
            <FormText control={control} name="customer" label="Customer" autoComplete="off" />
          </At>
          <At field="contact">
            <FormText
              control={control}
              name="contact"
              label="How to reach them"
              hint="Telephone, post, which hours."
              autoComplete="off"
            />
          </At>
          <At field="registration">
            <FormText control={control} name="registration" label="Registration" autoComplete="off" />
          </At>
          <At field="dueOn">
            <FormDay control={control} name="dueOn" label="Due on" />
          </At>
        </div>
        <At field="ownership">
          <OwnershipFields control={control} asksLeave={needsLeave(watch('ownership'))} />
        </At>
      </Part>
      <Part title="What is wanted">
        <At field="goals">
          <GoalsField control={control} />
        </At>
        <At field="wants">
          <FormArea
            control={control}
            name="wants"
            label="In their own words"
            rows={3}
            hint="Who listens where, to what, how loud."
          />
        </At>
      </Part>
      <Part title="What must not be">
        <At field="keeps">
          <TickList
            control={control}
            name="keeps"
            legend="Stays as it is"
            options={KEEPS.map((each) => [each, KEEP_LABELS[each]])}
            nothing="Nothing of these: all may be changed"
          />
        </At>
        <At field="budgetMinor">
          <FormText
            control={control}
            name="budgetMinor"
            label={`Budget, whole, ${currency}`}
            hint="With brackets, leads and small parts; empty where nobody asked."
            inputMode="decimal"
            autoComplete="off"
          />
        </At>
      </Part>
      <Part title="Before and later">
        <At field="later">
          <TickList
            control={control}
            name="later"
            legend="Planned for later"
            options={LATERS.map((each) => [each, LATER_LABELS[each]])}
            nothing="Nothing is planned"
          />
          <LaterHeeds later={later} />
        </At>
        <At field="doneBefore">
          <AskedText
            control={control}
            name="doneBefore"
            label="Done to it before"
            hint="Rivets that are not the maker’s, cut plugs, missing clips, broken covers."
            nothing="Asked: nothing was done"
          />
        </At>
        <At field="lostWithoutSupply">
          <AskedText
            control={control}
            name="lostWithoutSupply"
            label="Lost when the battery is off"
            hint="Radio code, settings, what the windows have learnt."
            nothing="Asked: nothing is lost"
          />
        </At>
      </Part>
      <Part title="Agreed to in writing">
        <At field="consents">
          <p className="text-[13px] leading-4 text-muted">
            What changes the car for good, shows, or may not hold is agreed to each by itself: who, how and when. Empty
            where nobody did; what needs it stays off the order list.
          </p>
          <div className="grid gap-3">
            {CONSENT_KINDS.map((kind) => (
              <FormText
                key={kind}
                control={control}
                name={`consents.${kind}`}
                label={CONSENT_LABELS[kind]}
                autoComplete="off"
              />
            ))}
          </div>
        </At>
      </Part>
      <Part title="Questions outside">
        <At field="questions">
          <QuestionsField control={control} />
        </At>
      </Part>
      <Part title="Said beforehand">
        <At field="expectations">
          <TickList
            control={control}
            name="expectations"
            legend="Tick what was said"
            options={EXPECTATIONS.filter((each) => said.includes(each) || toSay.includes(each)).map((each) => [
              each,
              EXPECTATION_LABELS[each],
            ])}
          />
          {said.length + toSay.length === 0 && (
            <p className="text-muted">Of this wish and this car nothing is usually expected wrongly.</p>
          )}
        </At>
      </Part>
      <div className="flex flex-col gap-3 lg:col-span-2">
        <FormError>{panel ? null : problemSentence(error, state.form)}</FormError>
        {panel && (
          <ConflictPanel
            what="this job"
            {...panel}
            onTakeTheirs={() => {
              drop();
              show(job);
            }}
          />
        )}
        {!mayChange && (
          <p className="font-semibold text-hold">You can look; what was asked is saved by the counter or the owner.</p>
        )}
        <Button kind="main" type="submit" className="self-start" disabled={isPending || !mayChange}>
          {isPending ? 'Saving …' : 'Save what was asked'}
        </Button>
      </div>
    </form>
  );
}

function Part({ title, children }: { readonly title: string; readonly children: React.ReactNode }) {
  return (
    <section aria-label={title} className="flex flex-col gap-3">
      <h2 className="border-b border-ink text-[18px] font-bold">{title}</h2>
      {children}
    </section>
  );
}

/** The place of a fact, to which an open point leads. */
function At({ field, children }: { readonly field: keyof IntakeFacts; readonly children: React.ReactNode }) {
  return <div data-fact={field}>{children}</div>;
}
