/** The password again, for what lets others in or takes the shop away; what waits for it goes on by itself. */
import { type FormEvent, useState, useSyncExternalStore } from 'react';
import { useMe } from '../../api/me';
import { answerPasswordAsked, isPasswordAsked, subscribeToPasswordAsked } from '../../api/passwordAsked';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { Layer } from '../../ui/Layer';
import { problemSentence } from '../../ui/problemFields';
import { TextField } from '../../ui/TextField';
import { useConfirmPassword } from './sessionQueries';

export function PasswordAsked() {
  const asked = useSyncExternalStore(subscribeToPasswordAsked, isPasswordAsked);
  return (
    <Layer title="Your password again" open={asked} onOpenChange={(open) => !open && answerPasswordAsked(false)}>
      <PasswordForm />
    </Layer>
  );
}

function PasswordForm() {
  const me = useMe();
  const [password, setPassword] = useState('');
  const confirm = useConfirmPassword();
  const submit = (event: FormEvent) => {
    event.preventDefault();
    confirm.mutate({ password }, { onSuccess: () => answerPasswordAsked(true), onError: () => setPassword('') });
  };
  return (
    <form onSubmit={submit} className="flex max-w-sm flex-col gap-3" noValidate>
      <p>
        This lets somebody in, or takes the shop away. A PIN is not enough for it; the password counts for ten minutes.
      </p>
      <TextField
        label={`Password of ${me.name}`}
        type="password"
        autoComplete="current-password"
        // It was just asked for: the letters come next.
        autoFocus
        value={password}
        onType={setPassword}
      />
      <FormError>{problemSentence(confirm.error) ?? confirm.error?.message ?? null}</FormError>
      <div className="flex gap-3">
        <Button kind="main" type="submit" disabled={confirm.isPending || password === ''}>
          Go on
        </Button>
        <Button kind="quiet" onClick={() => answerPasswordAsked(false)}>
          Leave it
        </Button>
      </div>
    </form>
  );
}
