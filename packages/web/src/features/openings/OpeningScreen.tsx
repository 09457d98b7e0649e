/** What is measured here, and what is missing? */

import type { ConnectorRecord } from '@low-quarry/core/catalogue';
import type { Opening } from '@low-quarry/core/contracts/openings';
import { jobTitle, type OpeningRecord, placeLabel, type ShopSettings } from '@low-quarry/core/model';
import { OPENING_FIELDS } from '@low-quarry/core/records';
import { useQuery } from '@tanstack/react-query';
import { useState, useSyncExternalStore } from 'react';
import { useParams } from 'react-router';
import { isAway, subscribeToConnection } from '../../api/connection';
import { connectorsQuery } from '../../api/connectorsQuery';
import { useMay } from '../../api/me';
import { shopSettingsQuery } from '../../api/settingsQuery';
import { listNotKept, subscribeToNotKept } from '../../device/notKept';
import { needsPerson, type SaveOpening } from '../../outbox/Entry';
import { useOutbox } from '../../outbox/OutboxProvider';
import { addressOf } from '../../stations/addressOf';
import { crumbsTo } from '../../stations/crumbsTo';
import { BroughtBack } from '../../ui/BroughtBack';
import { Button, LinkButton } from '../../ui/Button';
import { late } from '../../ui/late';
import { newId } from '../../ui/newId';
import { Shell } from '../../ui/Shell';
import { Answered, Loading } from '../../ui/states';
import { useScreenAwake } from '../../ui/useScreenAwake';
import { jobQuery } from '../jobs/jobsQueries';
import { Photos } from '../photos/Photos';
import { Rail } from '../rail/Rail';
import { CarryOver } from './CarryOver';
import { draftKey } from './draftKey';
import { OpeningSheet } from './OpeningSheet';
import { carryOver } from './openingDraft';
import { openingQuery } from './openingQueries';
import { otherSide } from './otherSide';
import { RemoveOpening } from './RemoveOpening';
import { saveEntry } from './saveEntry';
import { takenWords } from './takenWords';
import { useCheckedDraft } from './useCheckedDraft';
import { useDraft } from './useDraft';

const EarlierFields = late(
  () => import('./EarlierFields').then((code) => code.EarlierFields),
  () => null,
);
const TeachLibrary = late(
  () => import('../vehicles/TeachLibrary').then((code) => code.TeachLibrary),
  () => null,
);
const PanelInFront = late(
  () => import('../panels/PanelInFront').then((code) => code.PanelInFront),
  () => null,
);
const ConflictPanel = late(
  () => import('../../ui/ConflictPanel').then((code) => code.ConflictPanel<OpeningRecord>),
  () => <Loading what="what clashes" />,
);
export function OpeningScreen() {
  useScreenAwake();
  const { jobId = '', openingId = '' } = useParams();
  const job = useQuery(jobQuery(jobId));
  const opening = useQuery(openingQuery(openingId));
  const shop = useQuery(shopSettingsQuery);
  const connectors = useQuery(connectorsQuery);
  const title = opening.data ? placeLabel(opening.data.record) : 'Opening';
  const jobName = job.data ? jobTitle(job.data.job) : 'Job';
  return (
    <Shell
      title={title}
      crumbs={crumbsTo('measure', { jobId, openingId }, { job: jobName, measure: title })}
      rail={<Rail jobId={jobId} station="measure" />}
      aside={
        <span className="flex flex-wrap gap-2">
          <LinkButton to={`/history?kind=opening&record=${openingId}`}>History</LinkButton>
          <LinkButton to={addressOf('match', { jobId, openingId })}>What fits here</LinkButton>
        </span>
      }
    >
      <Answered query={opening} what="the opening">
        {(stored) => (
          <Answered query={shop} what="the shop’s settings">
            {(settings) => (
              <Answered query={connectors} what="the connectors">
                {(known) => (
                  <Filled
                    key={stored.id}
                    opening={stored}
                    other={otherSide(stored, job.data?.openings ?? [])}
                    vehicleId={job.data?.job.vehicle.id ?? ''}
                    shop={settings}
                    connectors={known.connectors}
                  />
                )}
              </Answered>
            )}
          </Answered>
        )}
      </Answered>
    </Shell>
  );
}

function Filled({
  opening,
  other,
  vehicleId,
  shop,
  connectors,
}: {
  readonly opening: Opening;
  readonly other: Pick<Opening, 'record'> | null;
  /** Of the job; empty until it is known. */
  readonly vehicleId: string;
  readonly shop: ShopSettings;
  readonly connectors: readonly ConnectorRecord[];
}) {
  const { draft, dirty, broughtBack, waiting, isSettling, change, handOver, startFrom } = useDraft(opening);
  const { outbox } = useOutbox();
  const mayMeasure = useMay('measure');
  const { mounted, problems, hasErrors, check } = useCheckedDraft(draft);
  const [sentOnce, setSentOnce] = useState(false);
  const isSending = isSettling || waiting.some((entry) => !needsPerson(entry));
  const clashing = waiting.find(({ clash }) => clash !== null);
  const refusal = waiting.find((entry) => entry.refused !== null)?.refused ?? null;

  const send = () => {
    const record = check();
    if (!record) return;
    // What was refused or clashed is sent as it is now, not as it was.
    for (const entry of waiting) if (entry.refused || entry.clash) void outbox.remove(entry.id);
    handOver(saveEntry(opening, draft, record, outbox.personId));
    setSentOnce(true);
  };

  return (
    <OpeningSheet
      draft={draft}
      shop={shop}
      connectors={connectors}
      problems={[...problems, ...(refusal?.errors ?? [])]}
      mounted={mounted}
      takenWords={(key) => takenWords(opening.record.dimensions[key])}
      change={change}
      onSubmit={send}
      top={
        <>
          <BroughtBack show={broughtBack} onDrop={() => startFrom(opening)} />
          <PanelInFront vehicleId={vehicleId} record={opening.record} />
          {other && (
            <CarryOver
              draft={draft}
              other={other.record}
              onCarry={() => change((before) => carryOver(before, other.record))}
            />
          )}
        </>
      }
      afterPlace={
        <>
          <EarlierFields
            facts={draft.facts}
            onChange={({ earlier }) => change((before) => ({ ...before, facts: { ...before.facts, earlier } }))}
          />
          <Photos subject={{ of: 'opening', recordId: opening.id, place: '' }} label={placeLabel(opening.record)} />
          <TeachLibrary vehicleId={vehicleId} record={opening.record} />
          <RemoveOpening opening={opening} />
        </>
      }
      foot={
        <>
          <div className="sticky bottom-0 z-10 order-3 flex flex-wrap items-center gap-3 border-t border-ink bg-ground py-3 lg:col-span-2">
            <Button kind="main" type="submit" data-save disabled={!dirty || isSending || !mayMeasure}>
              {isSending ? 'Saving …' : 'Save measurements'}
            </Button>
            {!mayMeasure && (
              <p className="font-semibold text-hold">
                You can look and try; saving measurements is for a fitter or the owner.
              </p>
            )}
            <SaveState
              draftKey={draftKey(outbox.personId, opening.id)}
              dirty={dirty}
              isSending={isSending}
              isSaved={sentOnce && !isSettling && waiting.length === 0}
              refusal={refusal?.message ?? null}
              hasErrors={hasErrors}
            />
          </div>
          {clashing?.clash && (
            <div className="order-4 lg:col-span-2">
              <ConflictPanel
                what="this opening"
                fields={OPENING_FIELDS}
                base={clashing.base}
                mine={clashing.record}
                theirs={clashing.clash.record}
                onSave={(record) => void outbox.replace(clashing.id, pickedEntry(clashing, record))}
                onTakeTheirs={() => {
                  startFrom(clashing.clash ?? opening);
                  for (const entry of waiting) void outbox.remove(entry.id);
                }}
              />
            </div>
          )}
        </>
      }
    />
  );
}

/** What the person picked, as a request on the version that it was picked against. */
function pickedEntry(entry: SaveOpening, record: OpeningRecord): SaveOpening {
  const { clash } = entry;
  if (!clash) return entry;
  return { ...entry, id: newId(), version: clash.version, base: clash.record, record, clash: null };
}

function SaveState({
  draftKey: key,
  dirty,
  isSending,
  isSaved,
  refusal,
  hasErrors,
}: {
  readonly draftKey: string;
  readonly dirty: boolean;
  readonly isSending: boolean;
  readonly isSaved: boolean;
  readonly refusal: string | null;
  readonly hasErrors: boolean;
}) {
  const away = useSyncExternalStore(subscribeToConnection, isAway);
  const isNotKept = useSyncExternalStore(subscribeToNotKept, listNotKept).some((each) => each.key === key);
  const waits = isSending && away;
  const words = hasErrors
    ? 'Not saved: one field cannot be read, see its message.'
    : waits
      ? 'Not in the shop yet: the server does not answer. It is saved as soon as it is back.'
      : refusal !== null
        ? `Not saved: ${refusal}`
        : dirty && !isSending
          ? isNotKept
            ? 'Not kept: this device has no room. It is in this page only.'
            : 'Kept on this device, not in the shop yet.'
          : isSaved
            ? 'Saved in the shop.'
            : '';
  return (
    <p
      role="status"
      className={
        hasErrors || isNotKept || refusal !== null
          ? 'font-semibold text-hits'
          : waits
            ? 'font-semibold text-measure'
            : 'text-muted'
      }
    >
      {words}
    </p>
  );
}
