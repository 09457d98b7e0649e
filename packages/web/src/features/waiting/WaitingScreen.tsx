/** What did I do here that the shop does not have yet, and why? */
import { useSyncExternalStore } from 'react';
import { isAway, subscribeToConnection } from '../../api/connection';
import { downloadJson } from '../../device/downloadFile';
import { type Entry, needsPerson } from '../../outbox/Entry';
import type { Outbox } from '../../outbox/Outbox';
import { useOutbox } from '../../outbox/OutboxProvider';
import { addressOf } from '../../stations/addressOf';
import { whenWords } from '../../text/whenWords';
import { Button, LinkButton } from '../../ui/Button';
import { PlainHttpNote } from '../../ui/PlainHttpNote';
import { Shell } from '../../ui/Shell';
import { Empty } from '../../ui/states';

const WHAT = {
  saveOpening: 'Measurements of',
  keepChoices: 'Chosen:',
  removeChoice: 'Choice taken back:',
  bookIn: '',
  addOpening: 'One more place:',
  removeOpening: 'Taken off the car:',
  addPhoto: 'Photo:',
  saveRecord: '',
  addVehicle: 'Into the library:',
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
      <PlainHttpNote />
      <UnreadableEntries outbox={outbox} />
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
                {!outbox.isKept(entry.id) && (
                  <p className="font-semibold text-hits">Not kept on this device: it is in this page only.</p>
                )}
              </div>
              <div className="flex flex-wrap gap-2">
                <Open entry={entry} />
                {needsPerson(entry) && (
                  <Button onClick={() => void outbox.remove(entry.id)}>
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

/** What another program kept here and this one cannot read: shown, handed out, and thrown away by a person only. */
function UnreadableEntries({ outbox }: { readonly outbox: Outbox }) {
  const unreadable = useSyncExternalStore(outbox.subscribe, outbox.unreadable);
  if (unreadable.length === 0) return null;
  return (
    <section
      aria-label="Entries that cannot be read"
      className="flex flex-col gap-2 border-l-4 border-hits bg-paper px-3 py-2"
    >
      <h2>
        {unreadable.length} {unreadable.length === 1 ? 'entry' : 'entries'} of another version of the program
      </h2>
      <p>They stay on this device and are not sent. Take them away as a file before you drop them.</p>
      <ul>
        {unreadable.map((entry) => (
          <li key={JSON.stringify(entry.raw)} className="flex flex-wrap items-center justify-between gap-x-4">
            <span>Cannot be read: {entry.why}</span>
            <span className="flex gap-2">
              <Button onClick={() => downloadJson('entry.json', entry.raw)}>Download it</Button>
              <Button kind="quiet" onClick={() => void outbox.dropUnreadable(entry)}>
                Drop it
              </Button>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function reasonOf(entry: Entry, away: boolean): string {
  if (entry.refused) return `Refused: ${entry.refused.message}`;
  if ((entry.kind === 'saveOpening' || entry.kind === 'saveRecord') && entry.clash)
    return 'Somebody else changed the same: pick which is right.';
  return away ? 'The shop’s server does not answer; it is sent as soon as it is back.' : 'Being sent.';
}

function Open({ entry }: { readonly entry: Entry }) {
  if (entry.kind === 'saveRecord') {
    return (
      <LinkButton to={entry.page}>
        Open it<span className="sr-only">: {entry.label}</span>
      </LinkButton>
    );
  }
  if (entry.kind !== 'saveOpening') return null;
  return (
    <LinkButton to={addressOf('measure', { jobId: entry.jobId, openingId: entry.openingId })}>
      Open {entry.label.toLowerCase()}
    </LinkButton>
  );
}
