/** Who are you? By name and password; at a device that is known, by PIN. */
import type { DemoSignIn, SessionState } from '@low-quarry/core/contracts/sessions';
import { type FormEvent, useState } from 'react';
import { rolesWords } from '../../text/roleWords';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { TextField } from '../../ui/TextField';
import { FrontDoor } from './FrontDoor';
import { PinChange } from './PinChange';
import { useSignIn } from './sessionQueries';

type SignedOut = Extract<SessionState, { kind: 'signedOut' }>;

export function SignInScreen({ state }: { readonly state: SignedOut }) {
  const signIn = useSignIn();
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const submit = (event: FormEvent) => {
    event.preventDefault();
    signIn.mutate({ name, password });
  };
  return (
    <FrontDoor title={state.shopName}>
      <div className="grid gap-8 md:grid-cols-2">
        {state.byPin.length > 0 && (
          <section aria-label="By PIN" className="flex flex-col gap-3">
            <h2>Who works here now?</h2>
            <PinChange people={state.byPin} />
          </section>
        )}
        <form onSubmit={submit} aria-label="By name and password" className="flex flex-col gap-3" noValidate>
          <h2>{state.byPin.length > 0 ? 'Or by name and password' : 'Sign in'}</h2>
          <TextField label="Name" value={name} autoComplete="username" autoCapitalize="words" onType={setName} />
          <TextField
            label="Password"
            type="password"
            value={password}
            autoComplete="current-password"
            onType={setPassword}
          />
          <FormError>{signIn.error?.message ?? null}</FormError>
          <Button kind="main" type="submit" disabled={signIn.isPending || !name.trim() || !password}>
            {signIn.isPending ? 'Signing in …' : 'Sign in'}
          </Button>
        </form>
        {state.demo && (
          <DemoSignIns
            signIns={state.demo}
            onPick={(picked) => {
              setName(picked.name);
              setPassword(picked.password);
            }}
          />
        )}
      </div>
    </FrontDoor>
  );
}

function DemoSignIns({
  signIns,
  onPick,
}: {
  readonly signIns: readonly DemoSignIn[];
  readonly onPick: (signIn: DemoSignIn) => void;
}) {
  return (
    <section aria-label="Sign-ins of the demo shop" className="flex flex-col gap-2">
      <h2>This is the demo shop</h2>
      <p className="text-muted">Everybody may know these passwords, so it runs on this machine only.</p>
      <ul className="border-t border-ink">
        {signIns.map((each) => (
          <li key={each.name} className="flex items-center justify-between gap-3 border-b border-hairline py-1">
            <span>
              <strong>{each.name}</strong>, {rolesWords(each.roles)}
              <br />
              <span className="text-muted">
                {each.password} · PIN {each.pin}
              </span>
            </span>
            <Button kind="quiet" onClick={() => onPick(each)}>
              Fill in<span className="sr-only"> for {each.name}</span>
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
