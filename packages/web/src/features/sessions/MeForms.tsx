/** The forms of one's own sign-in: PIN, password, the device's name, and signing out everywhere. */
import { nameDevice, pinSchema, SHORTEST_PASSWORD, setPassword, setPin } from '@low-quarry/core/contracts/sessions';
import type { FormEvent, ReactNode } from 'react';
import type { z } from 'zod';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { FormText } from '../../ui/form/FormText';
import { useCheckedForm } from '../../ui/form/useCheckedForm';
import { fieldProblems, problemSentence } from '../../ui/problemFields';
import { useNameDevice, useSetPassword, useSetPin, useSignOutEverywhere } from './sessionQueries';

/** A PIN that is typed is one; taking it away is a button of its own. */
const pinFormSchema = setPin.body.extend({ pin: pinSchema });

export function MeForms({ hasPin, deviceName }: { readonly hasPin: boolean; readonly deviceName: string }) {
  return (
    <div className="grid gap-8 md:grid-cols-2">
      <PinForm hasPin={hasPin} />
      <PasswordForm />
      <DeviceForm key={deviceName} name={deviceName} />
      <Everywhere />
    </div>
  );
}

function Part({
  title,
  onSubmit,
  children,
}: {
  readonly title: string;
  readonly onSubmit: (event: FormEvent) => void;
  readonly children: ReactNode;
}) {
  return (
    <form onSubmit={onSubmit} aria-label={title} className="flex flex-col gap-3 border-t border-ink pt-2" noValidate>
      <h2>{title}</h2>
      {children}
    </form>
  );
}

function Done({ children }: { readonly children: string | false }) {
  return (
    <p role="status" className="font-semibold text-clears">
      {children}
    </p>
  );
}

function PinForm({ hasPin }: { readonly hasPin: boolean }) {
  const set = useSetPin();
  const { control, handleSubmit, trigger, getValues, reset } = useCheckedForm(
    pinFormSchema,
    { password: '', pin: '' },
    fieldProblems(set.error),
  );
  const send = (typed: z.input<typeof setPin.body>) => set.mutate(typed, { onSuccess: () => reset() });
  const takeAway = async () => {
    if (await trigger('password')) send({ password: getValues('password'), pin: null });
  };
  return (
    <Part title="PIN" onSubmit={handleSubmit(send)}>
      <p className="text-muted">
        {hasPin
          ? 'You have a PIN. It works at devices where somebody signed in by password this week.'
          : 'With a PIN you can take over a bay tablet quickly, where somebody signed in by password this week.'}
      </p>
      <FormText
        control={control}
        name="pin"
        label="New PIN"
        type="password"
        inputMode="numeric"
        autoComplete="off"
        maxLength={8}
        hint="4 to 8 digits"
      />
      <FormText control={control} name="password" label="My password" type="password" autoComplete="current-password" />
      <FormError>{problemSentence(set.error)}</FormError>
      <div className="flex flex-wrap gap-3">
        <Button type="submit" disabled={set.isPending}>
          Set the PIN
        </Button>
        {hasPin && (
          <Button kind="quiet" disabled={set.isPending} onClick={() => void takeAway()}>
            Take the PIN away
          </Button>
        )}
      </div>
      <Done>{set.isSuccess && (set.data.hasPin ? 'The PIN is set.' : 'The PIN is gone.')}</Done>
    </Part>
  );
}

function PasswordForm() {
  const set = useSetPassword();
  const { control, handleSubmit, reset } = useCheckedForm(
    setPassword.body,
    { password: '', newPassword: '' },
    fieldProblems(set.error),
  );
  const submit = handleSubmit((typed) => set.mutate(typed, { onSuccess: () => reset() }));
  return (
    <Part title="Password" onSubmit={submit}>
      <FormText
        control={control}
        name="password"
        label="Password until now"
        type="password"
        autoComplete="current-password"
      />
      <FormText
        control={control}
        name="newPassword"
        label="New password"
        type="password"
        autoComplete="new-password"
        hint={`At least ${SHORTEST_PASSWORD} characters. Other devices are signed out.`}
      />
      <FormError>{problemSentence(set.error)}</FormError>
      <Button type="submit" className="self-start" disabled={set.isPending}>
        Change the password
      </Button>
      <Done>
        {set.isSuccess &&
          `Changed. Signed out at ${set.data.ended} other ${set.data.ended === 1 ? 'place' : 'places'}.`}
      </Done>
    </Part>
  );
}

function DeviceForm({ name }: { readonly name: string }) {
  const set = useNameDevice();
  const { control, handleSubmit, formState } = useCheckedForm(nameDevice.body, { name }, fieldProblems(set.error));
  return (
    <Part title="This device" onSubmit={handleSubmit((typed) => set.mutate(typed))}>
      <FormText
        control={control}
        name="name"
        label="Name of this device"
        hint="Such as Counter or Bay 1. The history says at which device something was changed."
        maxLength={40}
      />
      <FormError>{problemSentence(set.error)}</FormError>
      <Button type="submit" className="self-start" disabled={set.isPending || !formState.isDirty}>
        Name the device
      </Button>
    </Part>
  );
}

function Everywhere() {
  const out = useSignOutEverywhere();
  const leave = (event: FormEvent) => {
    event.preventDefault();
    out.mutate(undefined);
  };
  return (
    <Part title="Everywhere" onSubmit={leave}>
      <p className="text-muted">
        Ends your sessions on every device, this one too. Devices that you signed in by password ask for a password
        again.
      </p>
      <FormError>{out.error?.message ?? null}</FormError>
      <Button type="submit" className="self-start" disabled={out.isPending}>
        Sign out everywhere
      </Button>
    </Part>
  );
}
