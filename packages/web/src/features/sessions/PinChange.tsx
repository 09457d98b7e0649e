/** Changes the person at a device that is signed in: a name, then a PIN. */
import { signInByPin } from '@low-quarry/core/contracts/sessions';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { FormText } from '../../ui/form/FormText';
import { useCheckedForm } from '../../ui/form/useCheckedForm';
import { fieldProblems, problemSentence } from '../../ui/problemFields';
import { useSignInByPin } from './sessionQueries';

type Named = { readonly id: string; readonly name: string };

const pinFormSchema = signInByPin.body.pick({ pin: true });

export function PinChange({ people, onDone }: { readonly people: readonly Named[]; readonly onDone?: () => void }) {
  const [picked, setPicked] = useState<Named | null>(null);
  const change = useSignInByPin();
  const { control, handleSubmit, reset } = useCheckedForm(pinFormSchema, { pin: '' }, fieldProblems(change.error));
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
  const submit = handleSubmit(({ pin }) =>
    change.mutate({ personId: picked.id, pin }, { ...(onDone ? { onSuccess: onDone } : {}), onError: () => reset() }),
  );
  return (
    <form onSubmit={submit} aria-label={`Change to ${picked.name}`} className="flex max-w-sm flex-col gap-3" noValidate>
      <FormText
        control={control}
        name="pin"
        label={`PIN of ${picked.name}`}
        type="password"
        inputMode="numeric"
        autoComplete="off"
        maxLength={8}
        // The name was just pressed: the digits come next.
        autoFocus
        read={digitsOf}
      />
      <FormError>{problemSentence(change.error)}</FormError>
      <div className="flex gap-3">
        <Button kind="main" type="submit" disabled={change.isPending}>
          Change to {picked.name}
        </Button>
        <Button
          kind="quiet"
          onClick={() => {
            setPicked(null);
            reset();
            change.reset();
          }}
        >
          Somebody else
        </Button>
      </div>
    </form>
  );
}

function digitsOf(text: string): string {
  return text.replace(/\D/g, '');
}
