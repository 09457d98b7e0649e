/** The form of a car that comes in; it goes through the outbox, so that a server that is away books it in later, once. */
import { createJob, newJobSchema } from '@low-quarry/core/contracts/jobs';
import { vehicleLabel } from '@low-quarry/core/model';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { Controller } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { isAway, subscribeToConnection } from '../../api/connection';
import { useOutbox } from '../../outbox/OutboxProvider';
import { addressOf } from '../../stations/addressOf';
import { Button } from '../../ui/Button';
import { ComboField } from '../../ui/ComboField';
import { FormError } from '../../ui/FormError';
import { dateOf } from '../../ui/form/dateOf';
import { FormArea } from '../../ui/form/FormArea';
import { FormText } from '../../ui/form/FormText';
import { useCheckedForm } from '../../ui/form/useCheckedForm';
import { useTypedKept } from '../../ui/form/useTypedKept';
import { newId } from '../../ui/newId';
import type { FieldProblem } from '../../ui/problemFields';
import { useKept } from '../../ui/useKept';
import { BOOK_IN_DRAFT, type BookInTyped, bookInSchema } from './bookInDraft';
import { vehiclesQuery } from './jobsQueries';

const EMPTY: BookInTyped = { vehicleId: '', customer: '', registration: '', wants: '', dueOn: null };
const NOTHING_REFUSED: readonly FieldProblem[] = [];

export function BookInForm() {
  // Kept on the device, not in the sheet: closing it by a slip, or a dead battery, loses nothing.
  const { state, keep, settle } = useKept<BookInTyped>(BOOK_IN_DRAFT, bookInSchema, () => EMPTY);
  const vehicles = useQuery(vehiclesQuery);
  const { outbox, entries } = useOutbox();
  const away = useSyncExternalStore(subscribeToConnection, isAway);
  const navigate = useNavigate();
  const [sentId, setSentId] = useState<string | null>(null);
  const sent = entries.find(({ id }) => id === sentId) ?? null;
  const refusal = sent?.refused ?? null;
  const form = useCheckedForm(newJobSchema, state, refusal?.errors ?? NOTHING_REFUSED);
  const { control, handleSubmit, reset } = form;
  useTypedKept(form, keep);

  const booked = useRef(() => {});
  booked.current = () => {
    settle(EMPTY);
    reset(EMPTY);
  };
  const isThere = sent !== null;
  useEffect(() => {
    if (sentId === null || isThere) return;
    const answer = createJob.answer.safeParse(outbox.answerTo(sentId));
    setSentId(null);
    booked.current();
    if (answer.success) void navigate(addressOf('bookIn', { jobId: answer.data.jobId }));
  }, [sentId, isThere, outbox, navigate]);

  const submit = handleSubmit((job) => {
    if (sent) void outbox.remove(sent.id);
    const id = newId();
    const label = `Book in ${job.customer}`;
    void outbox.add({
      kind: 'bookIn',
      id,
      personId: outbox.personId,
      at: new Date().toISOString(),
      label,
      refused: null,
      job,
    });
    setSentId(id);
  });

  const isBooking = sent !== null && refusal === null;
  const chosen = vehicles.data?.vehicles.find(({ id }) => id === form.watch('vehicleId'));
  return (
    <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
      <Controller
        control={control}
        name="vehicleId"
        render={({ field, fieldState }) => (
          <ComboField
            label="Vehicle and trim"
            error={fieldState.error?.message}
            hint={
              chosen
                ? `${chosen.audioPackage}. ${chosen.openings.length} openings.`
                : 'The trim decides wiring and openings.'
            }
            value={field.value}
            placeholder={vehicles.isPending ? 'Loading vehicles …' : 'Choose, or type a word'}
            options={vehicles.data?.vehicles.map((each) => ({ value: each.id, label: vehicleLabel(each) })) ?? []}
            onChange={field.onChange}
          />
        )}
      />
      <FormText control={control} name="customer" label="Whose car" autoComplete="off" />
      <div className="grid grid-cols-2 gap-3">
        <FormText control={control} name="registration" label="Registration" autoComplete="off" />
        <FormText control={control} name="dueOn" label="Due on" type="date" read={dateOf} />
      </div>
      <FormArea
        control={control}
        name="wants"
        label="What is wanted"
        rows={3}
        hint="Clearer, louder, more bass, keep the radio, no cutting, the budget."
      />
      <FormError>{refusal && refusal.errors.length === 0 ? `Not booked in: ${refusal.message}` : null}</FormError>
      {isBooking && away && (
        <p role="status" className="font-semibold text-measure">
          The server does not answer. The car is booked in as soon as it is back, once; you can close this.
        </p>
      )}
      <Button kind="main" type="submit" disabled={isBooking}>
        {isBooking ? 'Booking in …' : chosen ? `Book in with ${chosen.openings.length} openings` : 'Book in'}
      </Button>
    </form>
  );
}
