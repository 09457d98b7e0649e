/** Whose shop is this? The owner's account of a new shop, or a look around the demo shop first. */
import { SHORTEST_PASSWORD } from '@low-quarry/core/contracts/sessions';
import { type FormEvent, useState } from 'react';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { problemFields, problemSentence } from '../../ui/problemFields';
import { TextField } from '../../ui/TextField';
import { FrontDoor } from './FrontDoor';
import { useStartShop } from './sessionQueries';

export function FirstStartScreen() {
  const start = useStartShop();
  const [shopName, setShopName] = useState('');
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const errors = problemFields(start.error);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    start.mutate({ kind: 'own', shopName, name, password });
  };
  return (
    <FrontDoor title="A new shop">
      <div className="grid gap-8 md:grid-cols-2">
        <form onSubmit={submit} aria-label="The owner’s account" className="flex flex-col gap-3" noValidate>
          <h2>Make the owner’s account</h2>
          <p className="text-muted">The owner lets the others in, and sets what the shop goes by.</p>
          <TextField
            label="Name of the shop"
            value={shopName}
            autoComplete="organization"
            error={errors.shopName}
            onType={setShopName}
          />
          <TextField label="Your name" value={name} autoComplete="username" error={errors.name} onType={setName} />
          <TextField
            label="Password"
            type="password"
            value={password}
            autoComplete="new-password"
            hint={`At least ${SHORTEST_PASSWORD} characters. Nobody can read it out again: keep it somewhere safe.`}
            error={errors.password}
            onType={setPassword}
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
