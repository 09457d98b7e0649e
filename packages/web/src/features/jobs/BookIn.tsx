/** Books a car in: which vehicle, whose, what is wanted. */
import { createJob, newJobSchema } from '@low-quarry/core/contracts/jobs';
import { vehicleLabel } from '@low-quarry/core/model';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { useNavigate } from 'react-router';
import { z } from 'zod';
import { isAway, subscribeToConnection } from '../../api/connection';
import { useOutbox } from '../../outbox/OutboxProvider';
import { Button } from '../../ui/Button';
import { ComboField } from '../../ui/ComboField';
import { Field, INPUT } from '../../ui/Field';
import { FormError } from '../../ui/FormError';
import { Layer } from '../../ui/Layer';
import { newId } from '../../ui/newId';
import { useKept } from '../../ui/useKept';
import { vehiclesQuery } from './jobsQueries';

const EMPTY: Form = { vehicleId: '', customer: '', registration: '', wants: '', dueOn: '' };
const formSchema = z.object({
  vehicleId: z.string(),
  customer: z.string(),
  registration: z.string(),
  wants: z.string(),
  dueOn: z.string(),
});
type Form = z.infer<typeof formSchema>;

export function BookIn() {
  const [open, setOpen] = useState(false);
  // Kept on the device, not in the sheet: closing it by a slip, or a dead battery, loses nothing.
  const { state: form, keep, settle } = useKept('bookIn', formSchema, () => EMPTY);
  return (
    <Layer
      title="Book a car in"
      open={open}
      onOpenChange={setOpen}
      trigger={(props) => (
        <Button kind="main" {...props}>
          Book a car in
        </Button>
      )}
    >
      <BookInForm form={form} onChange={(part) => keep({ ...form, ...part })} onBooked={() => settle(EMPTY)} />
    </Layer>
  );
}

function BookInForm({
  form,
  onChange,
  onBooked,
}: {
  readonly form: Form;
  readonly onChange: (change: Partial<Form>) => void;
  readonly onBooked: () => void;
}) {
  const vehicles = useQuery(vehiclesQuery);
  const { outbox, entries } = useOutbox();
  const away = useSyncExternalStore(subscribeToConnection, isAway);
  const navigate = useNavigate();
  const [wrong, setWrong] = useState<Readonly<Record<string, string>>>({});
  const [sentId, setSentId] = useState<string | null>(null);
  const sent = entries.find(({ id }) => id === sentId) ?? null;
  const refusal = sent?.refused ?? null;
  const errors = refusal ? Object.fromEntries(refusal.errors.map(({ path, message }) => [path, message])) : wrong;

  const booked = useRef(onBooked);
  booked.current = onBooked;
  const isThere = sent !== null;
  useEffect(() => {
    if (sentId === null || isThere) return;
    const answer = createJob.answer.safeParse(outbox.answerTo(sentId));
    setSentId(null);
    booked.current();
    if (answer.success) void navigate(`/jobs/${answer.data.jobId}`);
  }, [sentId, isThere, outbox, navigate]);

  const submit = (event: FormEvent) => {
    event.preventDefault();
    const parsed = newJobSchema.safeParse({ ...form, dueOn: form.dueOn || null });
    if (!parsed.success) {
      setWrong(Object.fromEntries(parsed.error.issues.map(({ path, message }) => [String(path[0]), message])));
      return;
    }
    setWrong({});
    if (sent) void outbox.remove(sent.id);
    const id = newId();
    const label = `Book in ${parsed.data.customer}`;
    void outbox.add({
      kind: 'bookIn',
      id,
      personId: outbox.personId,
      at: new Date().toISOString(),
      label,
      refused: null,
      job: parsed.data,
    });
    setSentId(id);
  };

  const isBooking = sent !== null && refusal === null;
  const chosen = vehicles.data?.vehicles.find(({ id }) => id === form.vehicleId);
  return (
    <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
      <ComboField
        label="Vehicle and trim"
        error={errors.vehicleId}
        hint={
          chosen
            ? `${chosen.audioPackage}. ${chosen.openings.length} openings.`
            : 'The trim decides wiring and openings.'
        }
        value={form.vehicleId}
        placeholder={vehicles.isPending ? 'Loading vehicles …' : 'Choose, or type a word'}
        options={vehicles.data?.vehicles.map((each) => ({ value: each.id, label: vehicleLabel(each) })) ?? []}
        onChange={(vehicleId) => onChange({ vehicleId })}
      />
      <Field label="Whose car" error={errors.customer}>
        {(ids) => (
          <input
            {...ids}
            value={form.customer}
            onChange={({ target }) => onChange({ customer: target.value })}
            className={INPUT}
            autoComplete="off"
          />
        )}
      </Field>
      <div className="grid grid-cols-2 gap-3">
        <Field label="Registration" error={errors.registration}>
          {(ids) => (
            <input
              {...ids}
              value={form.registration}
              onChange={({ target }) => onChange({ registration: target.value })}
              className={INPUT}
              autoComplete="off"
            />
          )}
        </Field>
        <Field label="Due on" error={errors.dueOn}>
          {(ids) => (
            <input
              {...ids}
              type="date"
              value={form.dueOn}
              onChange={({ target }) => onChange({ dueOn: target.value })}
              className={INPUT}
            />
          )}
        </Field>
      </div>
      <Field
        label="What is wanted"
        error={errors.wants}
        hint="Clearer, louder, more bass, keep the radio, no cutting, the budget."
      >
        {(ids) => (
          <textarea
            {...ids}
            rows={3}
            value={form.wants}
            onChange={({ target }) => onChange({ wants: target.value })}
            className={`${INPUT} py-2`}
          />
        )}
      </Field>
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
