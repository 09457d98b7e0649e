/** The form of the password that is asked for again. */
import { confirmPassword } from '@low-quarry/core/contracts/sessions';
import { useMe } from '../../api/me';
import { answerPasswordAsked } from '../../api/passwordAsked';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { FormText } from '../../ui/form/FormText';
import { useCheckedForm } from '../../ui/form/useCheckedForm';
import { fieldProblems, problemSentence } from '../../ui/problemFields';
import { useConfirmPassword } from './sessionQueries';

export function PasswordAgain() {
  const me = useMe();
  const confirm = useConfirmPassword();
  const { control, handleSubmit, reset } = useCheckedForm(
    confirmPassword.body,
    { password: '' },
    fieldProblems(confirm.error),
  );
  const submit = handleSubmit((typed) =>
    confirm.mutate(typed, { onSuccess: () => answerPasswordAsked(true), onError: () => reset() }),
  );
  return (
    <form onSubmit={submit} className="flex max-w-sm flex-col gap-3" noValidate>
      <p>
        This lets somebody in, or takes the shop away. A PIN is not enough for it; the password counts for ten minutes.
      </p>
      <FormText
        control={control}
        name="password"
        label={`Password of ${me.name}`}
        type="password"
        autoComplete="current-password"
        // It was just asked for: the letters come next.
        autoFocus
      />
      <FormError>{problemSentence(confirm.error)}</FormError>
      <div className="flex gap-3">
        <Button kind="main" type="submit" disabled={confirm.isPending}>
          Go on
        </Button>
        <Button kind="quiet" onClick={() => answerPasswordAsked(false)}>
          Leave it
        </Button>
      </div>
    </form>
  );
}
