/** An address from which one's own calendar reads the bay: made, told once, and ended. */
import { useQuery } from '@tanstack/react-query';
import { shopDay } from '../../text/shopDays';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { TextField } from '../../ui/TextField';
import { feedQuery, useEndFeed, useMakeFeed } from './weekQueries';

const KINDS = [
  ['own', 'What I am down for'],
  ['all', 'All of the bay'],
] as const;

export function MyCalendar() {
  const feed = useQuery(feedQuery);
  const make = useMakeFeed();
  const end = useEndFeed();
  const exists = feed.data?.exists ?? false;
  const readAt = feed.data?.readAt ?? null;
  const paths = exists ? make.data?.paths : undefined;
  return (
    <section aria-label="In my calendar" className="flex flex-col gap-2">
      <h2 className="border-b border-ink">In my calendar</h2>
      <p className="max-w-2xl">
        A calendar that subscribes to an address shows the bay on a telephone. Whoever has the address can read it,
        without signing in: cars, lifts, times and names of who works, no customer’s.{' '}
        {feed.data && (exists ? existsWords(readAt) : 'You have none.')}
      </p>
      <FormError>{make.error?.message ?? end.error?.message ?? feed.error?.message ?? null}</FormError>
      {paths &&
        KINDS.map(([kind, label]) => (
          <div key={kind} className="max-w-2xl">
            <TextField
              label={label}
              value={`${window.location.origin}${paths[kind]}`}
              hint="Shown once: copy it into the calendar now."
              readOnly
              onFocus={({ target }) => target.select()}
              onType={() => {}}
            />
          </div>
        ))}
      <div className="flex flex-wrap gap-3">
        <Button disabled={make.isPending || !feed.data} onClick={() => make.mutate()}>
          {exists ? 'Make a new address: the one before ends' : 'Make an address'}
        </Button>
        {exists && (
          <Button kind="quiet" disabled={end.isPending} onClick={() => end.mutate()}>
            End the address
          </Button>
        )}
      </div>
    </section>
  );
}

function existsWords(readAt: string | null): string {
  return readAt === null
    ? 'You have one; no calendar has read it yet.'
    : `You have one; a calendar read it last on ${shopDay(readAt)}.`;
}
