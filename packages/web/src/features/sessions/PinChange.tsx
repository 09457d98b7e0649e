/** Changes the person at a device that is signed in: a name, then a PIN. */
import { type FormEvent, useState } from 'react';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { TextField } from '../../ui/TextField';
import { useSignInByPin } from './sessionQueries';

type Named = { readonly id: string; readonly name: string };

export function PinChange({ people, onDone }: { readonly people: readonly Named[]; readonly onDone?: () => void }) {
  const [picked, setPicked] = useState<Named | null>(null);
  const [pin, setPin] = useState('');
  const change = useSignInByPin();
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (!picked) return;
    change.mutate(
      { personId: picked.id, pin },
      { ...(onDone ? { onSuccess: onDone } : {}), onError: () => setPin('') },
    );
  };
  if (!picked) {
    return (
      <ul className="flex flex-wrap gap-2">
        {people.map((person) => (
          <li key={person.id}>
            <Button onClick={() => setPicked(person)}>{person.name}</Button>
          </li>
        ))}
      </ul>
    );
  }
  return (
    <form onSubmit={submit} aria-label={`Change to ${picked.name}`} className="flex max-w-sm flex-col gap-3" noValidate>
      <TextField
        label={`PIN of ${picked.name}`}
        type="password"
        inputMode="numeric"
        autoComplete="off"
        maxLength={8}
        // The name was just pressed: the digits come next.
        autoFocus
        value={pin}
        onType={(text) => setPin(text.replace(/\D/g, ''))}
      />
      <FormError>{change.error?.message ?? null}</FormError>
      <div className="flex gap-3">
        <Button kind="main" type="submit" disabled={change.isPending || pin.length < 4}>
          Change to {picked.name}
        </Button>
        <Button
          kind="quiet"
          onClick={() => {
            setPicked(null);
            setPin('');
            change.reset();
          }}
        >
          Somebody else
        </Button>
      </div>
    </form>
  );
}
