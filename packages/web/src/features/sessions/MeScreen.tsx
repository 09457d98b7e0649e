/** What is one's own: the PIN, the password, this device's name, and signing out everywhere. */
import { SHORTEST_PASSWORD } from '@low-quarry/core/contracts/sessions';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, type ReactNode, useState } from 'react';
import { useMe } from '../../api/me';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { PlainHttpNote } from '../../ui/PlainHttpNote';
import { problemFields, problemSentence } from '../../ui/problemFields';
import { Shell } from '../../ui/Shell';
import { TextField } from '../../ui/TextField';
import { sessionQuery, useNameDevice, useSetPassword, useSetPin, useSignOutEverywhere } from './sessionQueries';

export function MeScreen() {
  const me = useMe();
  const session = useQuery(sessionQuery);
  const deviceName = session.data?.kind === 'signedIn' ? session.data.deviceName : '';
  return (
    <Shell
      title="My sign-in"
      crumbs={[
        { to: '/', label: 'Jobs' },
        { to: '/me', label: 'My sign-in' },
      ]}
    >
      <PlainHttpNote />
      <div className="grid gap-8 md:grid-cols-2">
        <PinForm hasPin={me.hasPin} />
        <PasswordForm />
        <DeviceForm key={deviceName} name={deviceName} />
        <Everywhere />
      </div>
    </Shell>
  );
}

function Part({
  title,
  onSubmit,
  children,
}: {
  readonly title: string;
  readonly onSubmit: () => void;
  readonly children: ReactNode;
}) {
  const submit = (event: FormEvent) => {
    event.preventDefault();
    onSubmit();
  };
  return (
    <form onSubmit={submit} aria-label={title} className="flex flex-col gap-3 border-t border-ink pt-2" noValidate>
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
  const [password, setPassword] = useState('');
  const [pin, setPin] = useState('');
  const set = useSetPin();
  const errors = problemFields(set.error);
  const send = (next: string | null) =>
    set.mutate(
      { password, pin: next },
      {
        onSuccess: () => {
          setPassword('');
          setPin('');
        },
      },
    );
  return (
    <Part title="PIN" onSubmit={() => send(pin)}>
      <p className="text-muted">
        {hasPin
          ? 'You have a PIN. It works at devices where somebody signed in by password this week.'
          : 'With a PIN you can take over a bay tablet quickly, where somebody signed in by password this week.'}
      </p>
      <TextField
        label="New PIN"
        type="password"
        inputMode="numeric"
        autoComplete="off"
        maxLength={8}
        value={pin}
        hint="4 to 8 digits"
        error={errors.pin}
        onType={setPin}
      />
      <TextField
        label="My password"
        type="password"
        autoComplete="current-password"
        value={password}
        error={errors.password}
        onType={setPassword}
      />
      <FormError>{problemSentence(set.error)}</FormError>
      <div className="flex flex-wrap gap-3">
        <Button type="submit" disabled={set.isPending || !password || !pin}>
          Set the PIN
        </Button>
        {hasPin && (
          <Button kind="quiet" disabled={set.isPending || !password} onClick={() => send(null)}>
            Take the PIN away
          </Button>
        )}
      </div>
      <Done>{set.isSuccess && (set.data.hasPin ? 'The PIN is set.' : 'The PIN is gone.')}</Done>
    </Part>
  );
}

function PasswordForm() {
  const [password, setPassword] = useState('');
  const [newPassword, setNewPassword] = useState('');
  const set = useSetPassword();
  const errors = problemFields(set.error);
  const send = () =>
    set.mutate(
      { password, newPassword },
      {
        onSuccess: () => {
          setPassword('');
          setNewPassword('');
        },
      },
    );
  return (
    <Part title="Password" onSubmit={send}>
      <TextField
        label="Password until now"
        type="password"
        autoComplete="current-password"
        value={password}
        error={password ? errors.password : null}
        onType={setPassword}
      />
      <TextField
        label="New password"
        type="password"
        autoComplete="new-password"
        value={newPassword}
        hint={`At least ${SHORTEST_PASSWORD} characters. Other devices are signed out.`}
        error={errors.newPassword}
        onType={setNewPassword}
      />
      <FormError>{problemSentence(set.error)}</FormError>
      <Button type="submit" className="self-start" disabled={set.isPending || !password || !newPassword}>
        Change the password
      </Button>
      <Done>
        {set.isSuccess &&
          `Changed. Signed out at ${set.data.ended} other ${set.data.ended === 1 ? 'place' : 'places'}.`}
      </Done>
    </Part>
  );
}

function DeviceForm({ name: known }: { readonly name: string }) {
  const [name, setName] = useState(known);
  const set = useNameDevice();
  return (
    <Part title="This device" onSubmit={() => set.mutate({ name })}>
      <TextField
        label="Name of this device"
        value={name}
        hint="Such as Counter or Bay 1. The history says at which device something was changed."
        maxLength={40}
        error={problemFields(set.error).name}
        onType={setName}
      />
      <FormError>{problemSentence(set.error)}</FormError>
      <Button type="submit" className="self-start" disabled={set.isPending || !name.trim() || name === known}>
        Name the device
      </Button>
    </Part>
  );
}

function Everywhere() {
  const out = useSignOutEverywhere();
  return (
    <Part title="Everywhere" onSubmit={() => out.mutate(undefined)}>
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
