/** Who is signed in, in the header of every screen; behind it the change of person and what is one's own. */
import type { SessionState } from '@low-quarry/core/contracts/sessions';
import { mayDo } from '@low-quarry/core/model';
import { useState, useSyncExternalStore } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { Link } from 'react-router';
import { listNotKept, subscribeToNotKept } from '../../device/notKept';
import { useOutbox } from '../../outbox/OutboxProvider';
import { rolesWords } from '../../text/roleWords';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { Layer } from '../../ui/Layer';
import { late } from '../../ui/late';
import { Loading } from '../../ui/states';
import { useSignOut } from './sessionQueries';
import { SHOP_PAGES } from './shopPages';

const PinChange = late(
  () => import('./PinChange').then((code) => code.PinChange),
  () => <Loading what="who may come in" />,
);

type SignedIn = Extract<SessionState, { kind: 'signedIn' }>;

export function PersonMenu({ state: { me, byPin, deviceName } }: { readonly state: SignedIn }) {
  const [open, setOpen] = useState(false);
  const signOut = useSignOut();
  const { outbox, entries } = useOutbox();
  const notKept = useSyncExternalStore(subscribeToNotKept, listNotKept);
  const close = () => setOpen(false);
  return (
    <Layer
      title={`${me.name}, ${rolesWords(me.roles)}`}
      open={open}
      onOpenChange={setOpen}
      trigger={(props) => (
        <button
          type="button"
          className="min-h-12 px-2 font-semibold text-action underline-offset-2 hover:underline"
          {...props}
        >
          {me.name}
          <span className="sr-only">. Change person, sign out, people and settings</span>
        </button>
      )}
    >
      <div className="flex flex-col gap-5">
        <p className="text-muted">Signed in at {deviceName}.</p>
        {byPin.length > 0 && (
          <section aria-label="Change person" className="flex flex-col gap-2">
            <h2>Somebody else works here now</h2>
            <ErrorBoundary fallback={<p>Changing person needs the server, which does not answer.</p>}>
              <PinChange people={byPin} onDone={close} />
            </ErrorBoundary>
          </section>
        )}
        <nav aria-label="The shop">
          <ul className="grid gap-x-4 border-t border-hairline sm:grid-cols-2">
            {SHOP_PAGES.filter(({ permission }) => mayDo(permission, me.roles)).map(({ to, label, what }) => (
              <li key={to} className="border-b border-hairline">
                <Link to={to} onClick={close} className="flex min-h-12 flex-col justify-center py-1 text-action">
                  <span className="font-semibold">{label}</span>
                  <span className="text-[13px] leading-4 text-muted">{what}</span>
                </Link>
              </li>
            ))}
          </ul>
        </nav>
        {notKept.length > 0 && (
          <p className="font-semibold text-hits">
            Not kept on this device: {notKept.map(({ label }) => label).join('; ')}. Signing out loses it; take it away
            as a file first.
          </p>
        )}
        <Button
          disabled={signOut.isPending}
          onClick={() =>
            signOut.mutate({ name: me.name, waiting: entries.filter(({ id }) => outbox.isKept(id)).length })
          }
          className="self-start"
        >
          {notKept.length > 0 ? 'Sign out and lose what is not kept' : 'Sign out'}
        </Button>
        <FormError>{signOut.error?.message ?? null}</FormError>
      </div>
    </Layer>
  );
}
