/** Whether the maker's separate amplifier stays, or what feeds its channels instead. */
import type { Job } from '@low-quarry/core/contracts/jobs';
import {
  amplifierPlanSchema,
  devicePlugWords,
  jobTitle,
  knownFact,
  PLAN_LEADS_LABELS,
  PLAN_SOUNDS_LABELS,
  PLAN_SOURCE_LABELS,
  POWER_RATING_LABELS,
} from '@low-quarry/core/model';
import { bypassHold, devicePlugPoints } from '@low-quarry/core/stations';
import { useMemo, useRef } from 'react';
import { Link } from 'react-router';
import { z } from 'zod';
import { useMay } from '../../../api/me';
import { savedAmplifierPlan, type WithAmplifierPlan } from '../../../outbox/saved/savedAmplifierPlan';
import { useSavedRecord } from '../../../outbox/useSavedRecord';
import { BroughtBack } from '../../../ui/BroughtBack';
import { Button } from '../../../ui/Button';
import { ConflictPanel } from '../../../ui/ConflictPanel';
import { FormError } from '../../../ui/FormError';
import { FormChoice } from '../../../ui/form/FormChoice';
import { FormText } from '../../../ui/form/FormText';
import { useCheckedForm } from '../../../ui/form/useCheckedForm';
import { useFollow } from '../../../ui/form/useFollow';
import { useTypedKept } from '../../../ui/form/useTypedKept';
import { fieldProblems, problemSentence } from '../../../ui/problemFields';
import { toast } from '../../../ui/toast';
import { useFieldInAddress } from '../../../ui/useFieldInAddress';
import { useKept } from '../../../ui/useKept';
import { type PlanTyped, planTypedSchema, readPlanSchema, toPlanTyped } from './typedPlan';

const draftSchema = z.object({ version: z.int(), base: amplifierPlanSchema, typed: planTypedSchema });
type Draft = z.output<typeof draftSchema>;

function toDraft({ version, amplifierPlan }: Job): Draft {
  return { version, base: amplifierPlan, typed: toPlanTyped(amplifierPlan) };
}

const KINDS = {
  keep: 'It stays: what is new has to suit it',
  bypass: 'Bypassed: its channels are fed anew',
} as const;

type AmplifierPlanFormProps = {
  readonly job: Job;
  /** Of the channels that it feeds in the car as it came. */
  readonly channels: readonly string[];
};

export function AmplifierPlanForm({ job, channels }: AmplifierPlanFormProps) {
  const name = `amplifierPlan.${job.id}`;
  const { state, keep, settle, isTouched, broughtBack } = useKept<Draft>(name, draftSchema, () => toDraft(job));
  const mayChange = useMay('choose');
  const sheet = useRef<HTMLElement>(null);
  useFieldInAddress(sheet);
  const show = (draft: Draft) => {
    settle(draft);
    reset(draft.typed);
  };
  const { panel, send, drop, error, isPending, handedOver } = useSavedRecord({
    kind: savedAmplifierPlan,
    recordId: job.id,
    label: `The maker’s amplifier of ${jobTitle(job)}`,
    form: { name, onWaits: ({ amplifierPlan }) => keep({ ...state, base: amplifierPlan }) },
    onSaved: (saved) => {
      show(toDraft(saved));
      toast('What becomes of the maker’s amplifier is saved.', { canUndo: true });
    },
  });
  const refused = useMemo(
    () => fieldProblems(error).map(({ path, message }) => ({ message, path: path.replace(/^amplifierPlan\.?/, '') })),
    [error],
  );
  const form = useCheckedForm<PlanTyped, WithAmplifierPlan>(readPlanSchema, state.typed, refused);
  const { control, handleSubmit, reset, watch } = form;
  useTypedKept(form, (typed) => keep({ ...state, typed }));
  useFollow(job.version, isTouched, () => show(toDraft(job)));
  const isBypass = watch('kind') === 'bypass';
  const hold = bypassHold(job);
  return (
    <section ref={sheet} aria-label="The maker’s amplifier" className="flex flex-col gap-3">
      <h2 className="border-b border-ink text-[18px] font-bold">The maker’s amplifier</h2>
      <Feeds job={job} channels={channels} />
      <DevicePlugs job={job} />
      {job.amplifierPlan === null && channels.length > 0 && (
        <p className="font-semibold text-measure">Nobody decided: what hangs on it is judged as if it stays.</p>
      )}
      {hold && <p className="font-semibold text-hold">Hold: {hold}</p>}
      <BroughtBack show={broughtBack && !handedOver} onDrop={() => show(toDraft(job))} />
      <form
        aria-label="What becomes of the maker’s amplifier"
        className="flex max-w-[720px] flex-col gap-3"
        noValidate
        data-fact="amplifier"
        onSubmit={handleSubmit((record) => send(state.version, { amplifierPlan: state.base }, record))}
      >
        <FormChoice control={control} name="kind" label="What becomes of it" options={KINDS} none="Not decided" />
        {isBypass && (
          <>
            <div className="grid gap-x-4 gap-y-3 sm:grid-cols-2">
              <FormChoice
                control={control}
                name="by"
                label="Fed instead by"
                options={PLAN_SOURCE_LABELS}
                none="Not decided"
                hint="The car’s own radio sends its amplifier a signal that drives no speaker."
              />
              <FormChoice
                control={control}
                name="leads"
                label="New leads go"
                options={PLAN_LEADS_LABELS}
                none="Not decided"
                hint="At the plug, its positions have to be known: meter each pair."
              />
            </div>
            <div className="grid grid-cols-2 gap-x-4 gap-y-3 sm:grid-cols-4">
              <FormText
                control={control}
                name="leastOhm"
                label="Stands, Ω"
                hint="Least load of a channel."
                autoComplete="off"
              />
              <FormText control={control} name="watt" label="Gives, W" hint="Each channel." autoComplete="off" />
              <FormChoice control={control} name="rating" label="Rated as" options={POWER_RATING_LABELS} />
              <FormText control={control} name="atOhm" label="Into, Ω" autoComplete="off" />
            </div>
            <FormChoice
              control={control}
              name="sounds"
              label="Warnings and voices without it"
              options={PLAN_SOUNDS_LABELS}
              hint="Ignition off before it is unplugged, and on again to try: belt, lights, reverse, parking sounds, telephone. The maker’s manual goes before."
            />
          </>
        )}
        {watch('kind') !== null && (
          <FormText control={control} name="reason" label="Why" autoComplete="off" maxLength={200} />
        )}
        <FormError>{panel ? null : problemSentence(error, state.typed, refused)}</FormError>
        {panel && (
          <ConflictPanel
            what="this amplifier"
            {...panel}
            onTakeTheirs={() => {
              drop();
              show(toDraft(job));
            }}
          />
        )}
        <Button type="submit" className="self-start" disabled={isPending || !mayChange}>
          {isPending ? 'Saving …' : 'Save the decision'}
        </Button>
      </form>
    </section>
  );
}

/** Of what comes off: nobody is asked what hangs on a radio that stays. */
function DevicePlugs({ job }: { readonly job: Job }) {
  const open = devicePlugPoints(job).filter(({ station }) => station === 'build');
  const plugs = job.vehicle.devicePlugs ?? [];
  if (open.length === 0 && plugs.length === 0) return null;
  return (
    <div>
      <ul>
        {plugs.map((plug) => (
          <li key={devicePlugWords(plug)} className={plug.carries.length === 0 ? 'text-measure' : ''}>
            {devicePlugWords(plug)}
          </li>
        ))}
      </ul>
      {open.map(({ id, words }) => (
        <p key={id} className="font-semibold text-hold">
          Hold: {words} <VehicleLink job={job}>Note them on the vehicle</VehicleLink>
        </p>
      ))}
    </div>
  );
}

function VehicleLink({ job, children }: { readonly job: Job; readonly children: string }) {
  return (
    <Link
      to={`/vehicles/${encodeURIComponent(job.vehicle.id)}`}
      className="inline-flex min-h-12 items-center font-normal text-action underline underline-offset-2"
    >
      {children}
    </Link>
  );
}

function Feeds({ job, channels }: AmplifierPlanFormProps) {
  const fact = knownFact('amplifier', job.found, job.vehicle.facts)?.answer;
  if (channels.length > 0)
    return (
      <p>
        It feeds {channels.join(', ')}.
        {fact === 'none' &&
          ' Of the car itself somebody said that it has no separate amplifier: one of the two is wrong.'}
      </p>
    );
  return (
    <p className="text-measure">
      {fact === 'factory' ? 'The car has one, and none' : 'None'} of its channels is noted: neither what stays nor what
      is wired anew can be told. <VehicleLink job={job}>Note them on the vehicle</VehicleLink>
    </p>
  );
}
