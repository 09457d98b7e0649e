/** The form of `FirstStartScreen`: the owner's account of a new shop. */
import { SHORTEST_PASSWORD, startShop } from '@low-quarry/core/contracts/sessions';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { FormText } from '../../ui/form/FormText';
import { useCheckedForm } from '../../ui/form/useCheckedForm';
import { fieldProblems, problemSentence } from '../../ui/problemFields';
import type { useStartShop } from './sessionQueries';

const [ownShopSchema] = startShop.body.options;
const NOTHING = { kind: 'own', shopName: '', name: '', password: '' } as const;

export function OwnerForm({ start }: { readonly start: ReturnType<typeof useStartShop> }) {
  const { control, handleSubmit } = useCheckedForm(ownShopSchema, NOTHING, fieldProblems(start.error));
  return (
    <form
      onSubmit={handleSubmit((typed) => start.mutate(typed))}
      aria-label="The owner’s account"
      className="flex flex-col gap-3"
      noValidate
    >
      <h2>Make the owner’s account</h2>
      <p className="text-muted">The owner lets the others in, and sets what the shop goes by.</p>
      <FormText control={control} name="shopName" label="Name of the shop" autoComplete="organization" />
      <FormText control={control} name="name" label="Your name" autoComplete="username" />
      <FormText
        control={control}
        name="password"
        label="Password"
        type="password"
        autoComplete="new-password"
        hint={`At least ${SHORTEST_PASSWORD} characters. Nobody can read it out again: keep it somewhere safe.`}
      />
      <FormError>{problemSentence(start.error)}</FormError>
      <Button kind="main" type="submit" disabled={start.isPending}>
        Open the shop
      </Button>
    </form>
  );
}
