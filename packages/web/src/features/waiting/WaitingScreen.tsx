/** What did I do here that the shop does not have yet, and why? */
import { useSyncExternalStore } from 'react';
import { isAway, subscribeToConnection } from '../../api/connection';
import { type Entry, needsPerson } from '../../outbox/Entry';
import { useOutbox } from '../../outbox/OutboxProvider';
import { whenWords } from '../../text/whenWords';
import { Button, LinkButton } from '../../ui/Button';
import { Shell } from '../../ui/Shell';
import { Empty } from '../../ui/states';

const WHAT = {
  saveOpening: 'Measurements of',
  keepChoices: 'Chosen:',
  removeChoice: 'Choice taken back:',
  bookIn: '',
} as const;

export function WaitingScreen() {
  const { outbox, entries } = useOutbox();
  const away = useSyncExternalStore(subscribeToConnection, isAway);
  return (
    <Shell
      title="Waiting entries"
      crumbs={[
        { to: '/', label: 'Jobs' },
        { to: '/waiting', label: 'Waiting entries' },
      ]}
    >
      <p className="max-w-2xl">
        What you did at this device is kept here until the shop has it. It is sent in order, each entry once, also after
        a reload or a dead battery.
      </p>
      {entries.length === 0 ? (
        <Empty>Nothing waits: the shop has everything that was done here.</Empty>
      ) : (
        <ol className="border-t border-ink">
          {entries.map((entry) => (
            <li
              key={entry.id}
              className="flex flex-wrap items-center justify-between gap-x-6 gap-y-2 border-b border-hairline py-2"
            >
              <div>
                <p>
                  <strong>
                    {WHAT[entry.kind]} {entry.label}
                  </strong>
                  , {whenWords(entry.at, new Date())}
                </p>
                <p className={needsPerson(entry) ? 'font-semibold text-hits' : 'text-measure'}>
                  {reasonOf(entry, away)}
                </p>
              </div>
              <div className="flex flex-wrap gap-2">
                <Open entry={entry} />
                {needsPerson(entry) && (
                  <Button onClick={() => outbox.remove(entry.id)}>
                    Drop it<span className="sr-only">: {entry.label}</span>
                  </Button>
                )}
              </div>
            </li>
          ))}
        </ol>
      )}
    </Shell>
  );
}

function reasonOf(entry: Entry, away: boolean): string {
  if (entry.refused) return `Refused: ${entry.refused.message}`;
  if (entry.kind === 'saveOpening' && entry.clash) return 'Somebody else changed the same: pick which is right.';
  return away ? 'The shop’s server does not answer; it is sent as soon as it is back.' : 'Being sent.';
}

function Open({ entry }: { readonly entry: Entry }) {
  if (entry.kind !== 'saveOpening') return null;
  return (
    <LinkButton to={`/jobs/${entry.jobId}/openings/${entry.openingId}`}>Open {entry.label.toLowerCase()}</LinkButton>
  );
}
