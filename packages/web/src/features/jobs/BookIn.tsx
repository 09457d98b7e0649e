/** Books a car in: which vehicle, whose, what is wanted. */
import { newJobSchema } from '@low-quarry/core/contracts/jobs';
import { vehicleName } from '@low-quarry/core/model/vehicle';
import { useQuery } from '@tanstack/react-query';
import { Dialog } from 'radix-ui';
import { type FormEvent, useState } from 'react';
import { useNavigate } from 'react-router';
import { ProblemError } from '../../api/call';
import { Button } from '../../ui/Button';
import { Field, INPUT } from '../../ui/Field';
import { Layer } from '../../ui/Shell';
import { useCreateJob, vehiclesQuery } from './jobsQueries';

const EMPTY = { vehicleId: '', customer: '', registration: '', wants: '', dueOn: '' };
type Form = typeof EMPTY;

export function BookIn() {
  const [open, setOpen] = useState(false);
  // Kept here, not in the sheet: closing it by a slip loses nothing.
  const [form, setForm] = useState<Form>(EMPTY);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger asChild>
        <Button kind="main">Book a car in</Button>
      </Dialog.Trigger>
      <Layer title="Book a car in">
        <BookInForm form={form} onChange={(change) => setForm((before) => ({ ...before, ...change }))} />
      </Layer>
    </Dialog.Root>
  );
}

function BookInForm({ form, onChange }: { readonly form: Form; readonly onChange: (change: Partial<Form>) => void }) {
  const vehicles = useQuery(vehiclesQuery);
  const createJob = useCreateJob();
  const navigate = useNavigate();
  const [errors, setErrors] = useState<Readonly<Record<string, string>>>({});

  const submit = (event: FormEvent) => {
    event.preventDefault();
    const parsed = newJobSchema.safeParse({ ...form, dueOn: form.dueOn || null });
    if (!parsed.success) {
      setErrors(Object.fromEntries(parsed.error.issues.map(({ path, message }) => [String(path[0]), message])));
      return;
    }
    setErrors({});
    createJob.mutate(parsed.data, {
      onSuccess: ({ jobId }) => navigate(`/jobs/${jobId}`),
      onError: (error) => {
        if (error instanceof ProblemError)
          setErrors(Object.fromEntries((error.problem.errors ?? []).map(({ path, message }) => [path, message])));
      },
    });
  };

  const chosen = vehicles.data?.vehicles.find(({ id }) => id === form.vehicleId);
  return (
    <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
      <Field
        label="Vehicle and trim"
        error={errors.vehicleId}
        hint={
          chosen
            ? `${chosen.audioPackage}. ${chosen.openings.length} openings.`
            : 'The trim decides wiring and openings.'
        }
      >
        {(ids) => (
          <select
            {...ids}
            value={form.vehicleId}
            onChange={({ target }) => onChange({ vehicleId: target.value })}
            className={INPUT}
          >
            <option value="">{vehicles.isPending ? 'Loading vehicles …' : 'Choose …'}</option>
            {vehicles.data?.vehicles.map((vehicle) => (
              <option key={vehicle.id} value={vehicle.id}>
                {vehicleName(vehicle)}, {vehicle.years}, {vehicle.trim}
              </option>
            ))}
          </select>
        )}
      </Field>
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
      {createJob.isError && Object.keys(errors).length === 0 && (
        <p role="alert" className="font-semibold text-hits">
          Not booked in: {createJob.error.message} Nothing typed is lost; press the button again.
        </p>
      )}
      <Button kind="main" type="submit" disabled={createJob.isPending}>
        {createJob.isPending ? 'Booking in …' : chosen ? `Book in with ${chosen.openings.length} openings` : 'Book in'}
      </Button>
    </form>
  );
}
