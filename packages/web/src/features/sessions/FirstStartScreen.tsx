/** Whose shop is this? The owner's account of a new shop, or a look around the demo shop first. */
import { Button } from '../../ui/Button';
import { late } from '../../ui/late';
import { Loading } from '../../ui/states';
import { FrontDoor } from './FrontDoor';
import { useStartShop } from './sessionQueries';

const OwnerForm = late(
  () => import('./OwnerForm').then((code) => code.OwnerForm),
  () => <Loading what="the owner’s account" />,
);
void OwnerForm.load();

export function FirstStartScreen() {
  const start = useStartShop();
  return (
    <FrontDoor title="A new shop">
      <div className="grid gap-8 md:grid-cols-2">
        <OwnerForm start={start} />
        <section aria-label="The demo shop" className="flex flex-col items-start gap-3">
          <h2>Or look around first</h2>
          <p>
            The demo shop is a workshop in a harbour town with eleven cars, sixty speakers and everything that can go
            wrong with them. All of it is made up. <code>npm run reset-demo</code> makes it new; for a shop of your own,
            start on an empty data folder.
          </p>
          <Button disabled={start.isPending} onClick={() => start.mutate({ kind: 'demo' })}>
            Load the demo shop
          </Button>
        </section>
      </div>
    </FrontDoor>
  );
}
