/** How much of what this person did here the shop does not have yet; nothing where it has all. */
import { useSyncExternalStore } from 'react';
import { Link } from 'react-router';
import { needsPerson } from '../../outbox/Entry';
import { useOutbox } from '../../outbox/OutboxProvider';

export function WaitingLink() {
  const { outbox, entries } = useOutbox();
  const unreadable = useSyncExternalStore(outbox.subscribe, outbox.unreadable).length;
  const count = entries.length + unreadable;
  if (count === 0) return null;
  const stuck = unreadable > 0 || entries.some(needsPerson);
  return (
    <Link
      to="/waiting"
      className={`inline-flex min-h-12 items-center px-2 font-semibold underline underline-offset-2 ${stuck ? 'text-hits' : 'text-measure'}`}
    >
      {count} waiting
      <span className="sr-only">{stuck ? ', something needs you' : ' to be sent'}</span>
    </Link>
  );
}
