/** Whose shop is this? The owner's account of a new shop, or a look around the demo shop first. */
import { SHORTEST_PASSWORD, startShop } from '@low-quarry/core/contracts/sessions';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { FormText } from '../../ui/form/FormText';
import { useCheckedForm } from '../../ui/form/useCheckedForm';
import { fieldProblems, problemSentence } from '../../ui/problemFields';
import { FrontDoor } from './FrontDoor';
import { useStartShop } from './sessionQueries';

const [ownShopSchema] = startShop.body.options;
const NOTHING = { kind: 'own', shopName: '', name: '', password: '' } as const;

export function FirstStartScreen() {
  const start = useStartShop();
  const { control, handleSubmit } = useCheckedForm(ownShopSchema, NOTHING, fieldProblems(start.error));
  return (
    <FrontDoor title="A new shop">
      <div className="grid gap-8 md:grid-cols-2">
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
        <section aria-label="The demo shop" className="flex flex-col items-start gap-3">
          <h2>Or look around first</h2>
          <p>
            The demo shop is a workshop in a harbour town with six cars, sixty speakers and everything that can go wrong
            with them. All of it is made up. <code>npm run reset-demo</code> makes it new; for a shop of your own, start
            on an empty data folder.
          </p>
          <Button disabled={start.isPending} onClick={() => start.mutate({ kind: 'demo' })}>
            Load the demo shop
          </Button>
        </section>
      </div>
    </FrontDoor>
  );
}
