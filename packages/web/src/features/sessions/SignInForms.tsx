/** The forms of `SignInScreen`. */
import { type DemoSignIn, type SessionState, signIn } from '@low-quarry/core/contracts/sessions';
import { rolesWords } from '../../text/roleWords';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { FormText } from '../../ui/form/FormText';
import { useCheckedForm } from '../../ui/form/useCheckedForm';
import { fieldProblems, problemSentence } from '../../ui/problemFields';
import { PinChange } from './PinChange';
import { useSignIn } from './sessionQueries';

export type SignedOut = Extract<SessionState, { kind: 'signedOut' }>;

export function SignInForms({ state }: { readonly state: SignedOut }) {
  const coming = useSignIn();
  const { control, handleSubmit, reset } = useCheckedForm(
    signIn.body,
    { name: '', password: '' },
    fieldProblems(coming.error),
  );
  return (
    <div className="grid gap-8 md:grid-cols-2">
      {state.byPin.length > 0 && (
        <section aria-label="By PIN" className="flex flex-col gap-3">
          <h2>Who works here now?</h2>
          <PinChange people={state.byPin} />
        </section>
      )}
      <form
        onSubmit={handleSubmit((typed) => coming.mutate(typed))}
        aria-label="By name and password"
        className="flex flex-col gap-3"
        noValidate
      >
        <h2>{state.byPin.length > 0 ? 'Or by name and password' : 'Sign in'}</h2>
        <FormText control={control} name="name" label="Name" autoComplete="username" autoCapitalize="words" />
        <FormText control={control} name="password" label="Password" type="password" autoComplete="current-password" />
        <FormError>{problemSentence(coming.error)}</FormError>
        <Button kind="main" type="submit" disabled={coming.isPending}>
          {coming.isPending ? 'Signing in …' : 'Sign in'}
        </Button>
      </form>
      {state.demo && <DemoSignIns signIns={state.demo} onPick={({ name, password }) => reset({ name, password })} />}
    </div>
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
