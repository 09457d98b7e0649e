/** The form of a car that comes in; it goes through the outbox, so that a server that is away books it in later, once. */
import { createJob } from '@low-quarry/core/contracts/jobs';
import { bodyWords } from '@low-quarry/core/model';
import { useQuery } from '@tanstack/react-query';
import { useSyncExternalStore } from 'react';
import { Controller } from 'react-hook-form';
import { isAway, subscribeToConnection } from '../../api/connection';
import { useSent } from '../../outbox/useSent';
import { addressOf } from '../../stations/addressOf';
import { isDay } from '../../text/day';
import { isoDay } from '../../text/isoDay';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { FormArea } from '../../ui/form/FormArea';
import { FormDay } from '../../ui/form/FormDay';
import { FormText } from '../../ui/form/FormText';
import { useCheckedForm } from '../../ui/form/useCheckedForm';
import { useTypedKept } from '../../ui/form/useTypedKept';
import { areSaid } from '../../ui/problemFields';
import { useKept } from '../../ui/useKept';
import { useLeadOn } from '../../ui/useLeadOn';
import { recentVehiclesQuery } from '../vehicles/foundVehicles';
import { NewVehicleFields } from '../vehicles/NewVehicleFields';
import { openingsCount } from '../vehicles/openingsCount';
import { emptyVehicle, type NewVehicleTyped, otherTrim } from '../vehicles/typedVehicle';
import { VehicleField } from '../vehicles/VehicleField';
import { templatesQuery, useVehicle } from '../vehicles/vehicleQueries';
import { BOOK_IN_DRAFT, type BookInTyped, bookInSchema, readBookInSchema } from './bookInDraft';
import { useAlike } from './useAlike';

const EMPTY: BookInTyped = {
  vehicleId: '',
  newVehicle: null,
  customer: '',
  registration: '',
  wants: '',
  dueOn: null,
};

export function BookInForm() {
  // Kept on the device, not in the sheet: closing it by a slip, or a dead battery, loses nothing.
  const { state, keep, settle } = useKept<BookInTyped>(BOOK_IN_DRAFT, bookInSchema, () => EMPTY);
  const away = useSyncExternalStore(subscribeToConnection, isAway);
  const leadOn = useLeadOn();
  const { isSending, refusal, problems, send } = useSent((answered) => {
    settle(EMPTY);
    reset(EMPTY);
    const answer = createJob.answer.safeParse(answered);
    if (answer.success) leadOn(addressOf('job', { jobId: answer.data.jobId }));
  });
  const form = useCheckedForm(readBookInSchema, state, problems);
  const { control, handleSubmit, reset, watch } = form;
  useTypedKept(form, keep);
  const submit = handleSubmit((job) => send({ kind: 'bookIn', label: `Book in ${job.customer}`, job }));

  /** As one writes it that the form does, which is kept like what is typed. */
  const startWith = (newVehicle: NewVehicleTyped | null) => {
    const next = { ...form.getValues(), vehicleId: '', newVehicle };
    reset(next);
    keep(next);
  };
  const [vehicleId, newVehicle, registration, dueOn] = watch(['vehicleId', 'newVehicle', 'registration', 'dueOn']);
  const alike = useAlike(registration);
  const count = useOpeningsCount(vehicleId, newVehicle);
  return (
    <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
      {newVehicle === null ? (
        <KnownVehicle form={form} onNew={startWith} />
      ) : (
        <fieldset className="flex flex-col gap-3 border-b border-ink pb-3">
          <legend className="sr-only">New vehicle</legend>
          <NewVehicleFields form={form} at="newVehicle" />
          <Button onClick={() => startWith(null)}>Take one of the library instead</Button>
        </fieldset>
      )}
      <FormText control={control} name="customer" label="Whose car" autoComplete="off" />
      <div className="grid grid-cols-2 gap-3">
        <FormText control={control} name="registration" label="Registration" hint={alike} autoComplete="off" />
        <FormDay control={control} name="dueOn" label="Due on" hint={isPast(dueOn) ? 'This day is over.' : undefined} />
      </div>
      <FormArea
        control={control}
        name="wants"
        label="What is wanted"
        rows={3}
        hint="Clearer, louder, more bass, keep the radio, no cutting, the budget."
      />
      <FormError>{refusal && !areSaid(problems, state) ? `Not booked in: ${refusal.message}` : null}</FormError>
      {isSending && away && (
        <p role="status" className="font-semibold text-measure">
          The server does not answer. The car is booked in as soon as it is back, once; you can close this.
        </p>
      )}
      <Button kind="main" type="submit" disabled={isSending}>
        {isSending ? 'Booking in …' : count === null ? 'Book in' : `Book in with ${count} openings`}
      </Button>
    </form>
  );
}

type BookInFormState = ReturnType<typeof useCheckedForm<BookInTyped, ReturnType<typeof readBookInSchema.parse>>>;

function KnownVehicle({
  form: { control, watch },
  onNew,
}: {
  readonly form: BookInFormState;
  readonly onNew: (vehicle: NewVehicleTyped) => void;
}) {
  const chosen = useVehicle(watch('vehicleId'));
  const recent = useQuery(recentVehiclesQuery);
  const steeringSide = recent.data?.found[0]?.steeringSide ?? 'left';
  return (
    <>
      <Controller
        control={control}
        name="vehicleId"
        render={({ field, fieldState }) => (
          <VehicleField
            error={fieldState.error?.message}
            hint={
              chosen
                ? `${bodyWords(chosen)}. ${chosen.audioPackage || 'Audio package not known'}. ${chosen.openings} openings.`
                : 'The trim decides wiring and openings.'
            }
            value={field.value}
            onChange={field.onChange}
            onNew={(typed) => onNew(emptyVehicle(typed, steeringSide))}
          />
        )}
      />
      <span className="flex flex-wrap gap-2">
        <Button onClick={() => onNew(emptyVehicle('', steeringSide))}>It is not in the library</Button>
        {chosen && <Button onClick={() => onNew(otherTrim(chosen))}>Another trim of this one</Button>}
      </span>
    </>
  );
}

/** How many openings the job begins with; null where nothing is chosen yet. */
function useOpeningsCount(vehicleId: string, newVehicle: NewVehicleTyped | null): number | null {
  const templates = useQuery({ ...templatesQuery, enabled: newVehicle?.from.kind === 'template' });
  const source = useVehicle(newVehicle?.from.kind === 'variant' ? newVehicle.from.vehicleId : vehicleId);
  if (newVehicle) return openingsCount(newVehicle, templates.data?.templates ?? [], source);
  return source?.openings ?? null;
}

function isPast(day: string | null): boolean {
  return day !== null && isDay(day) && day < isoDay(new Date());
}
