/** Lets somebody new in. */
import { createPerson } from '@low-quarry/core/contracts/people';
import { SHORTEST_PASSWORD } from '@low-quarry/core/contracts/sessions';
import type { z } from 'zod';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { FormText } from '../../ui/form/FormText';
import { useCheckedForm } from '../../ui/form/useCheckedForm';
import { fieldProblems, problemSentence } from '../../ui/problemFields';
import { FormRoles } from './FormRoles';
import { useCreatePerson } from './peopleQueries';

const NOBODY: z.input<typeof createPerson.body> = { name: '', roles: ['fitter'], password: '' };

export function NewPersonForm({ onDone }: { readonly onDone: () => void }) {
  const create = useCreatePerson();
  const { control, handleSubmit, watch } = useCheckedForm(createPerson.body, NOBODY, fieldProblems(create.error));
  return (
    <form
      onSubmit={handleSubmit((typed) => create.mutate(typed, { onSuccess: onDone }))}
      className="flex flex-col gap-3"
      noValidate
    >
      <FormText control={control} name="name" label="Name" autoComplete="off" />
      <FormRoles control={control} name="roles" />
      <FormText
        control={control}
        name="password"
        label="First password"
        autoComplete="off"
        hint={`At least ${SHORTEST_PASSWORD} characters. Tell them; they change it under My sign-in.`}
      />
      <FormError>{problemSentence(create.error)}</FormError>
      <Button kind="main" type="submit" disabled={create.isPending}>
        Add {watch('name').trim() || 'somebody'}
      </Button>
    </form>
  );
}
