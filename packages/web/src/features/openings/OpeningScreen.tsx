/** What is measured here, and what is missing? */

import type { ConnectorRecord } from '@low-quarry/core/catalogue';
import type { Opening } from '@low-quarry/core/contracts/openings';
import type { OpeningDimensionKey } from '@low-quarry/core/fit';
import {
  helpfulDimensions,
  jobTitle,
  OPENING_DIMENSIONS,
  type OpeningRecord,
  openingRecordSchema,
  placeLabel,
  type ShopSettings,
  wantedDimensions,
} from '@low-quarry/core/model';
import { OPENING_FIELDS } from '@low-quarry/core/records';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useCallback, useMemo, useState, useSyncExternalStore } from 'react';
import { useParams } from 'react-router';
import { isAway, subscribeToConnection } from '../../api/connection';
import { useMay, useMe } from '../../api/me';
import { connectorsQuery, shopSettingsQuery } from '../../api/sharedQueries';
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
import { useSettings } from '../../ui/settings';
import { Answered, Loading } from '../../ui/states';
import { FieldsComing, UnreadProvider, useUnreadFields, withUnread } from '../../ui/unreadNumbers';
import { useScreenAwake } from '../../ui/useScreenAwake';
import { jobQuery } from '../jobs/jobsQueries';
import { CarryOver } from './CarryOver';
import { draftKey } from './draftKey';
import { MeasureField } from './MeasureField';
import {
  carryOver,
  missingInDraft,
  type OpeningDraft,
  type OpeningFacts,
  recordOf,
  setFace,
  setSource,
  toRecord,
  typeInto,
} from './openingDraft';
import { openingQuery } from './openingQueries';
import { otherSide } from './otherSide';
import { useDraft } from './useDraft';

// The first dimensions can be typed in before the rest is there.
const FaceFields = late(
  () => import('./FaceFields').then((code) => code.FaceFields),
  () => <FieldsComing what="what is read from" />,
);
const FactFields = late(
  () => import('./FactFields').then((code) => code.FactFields),
  () => <FieldsComing what="what is known of it" />,
);
const AroundFields = late(
  () => import('./AroundFields').then((code) => code.AroundFields),
  () => <FieldsComing what="what stands around it" />,
);
const ConflictPanel = late(
  () => import('../../ui/ConflictPanel').then((code) => code.ConflictPanel<OpeningRecord>),
  () => <Loading what="what clashes" />,
);
const OpeningDrawing = late(
  () => import('./OpeningDrawing').then((code) => code.OpeningDrawing),
  () => <Loading what="the drawing" />,
);
for (const { load } of [FaceFields, FactFields, AroundFields, OpeningDrawing]) void load();

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
      crumbs={crumbsTo('measure', { jobId, openingId }, { bookIn: jobName, measure: title })}
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
  shop,
  connectors,
}: {
  readonly opening: Opening;
  readonly other: Pick<Opening, 'record'> | null;
  readonly shop: ShopSettings;
  readonly connectors: readonly ConnectorRecord[];
}) {
  const { unit } = useSettings();
  const { draft, dirty, broughtBack, waiting, change, handOver, startFrom } = useDraft(opening);
  const { outbox } = useOutbox();
  const { name: takenBy } = useMe();
  const mayMeasure = useMay('measure');
  const [refused, setRefused] = useState(false);
  const [unread, setUnread] = useState(false);
  /** What no field can know alone: figures that need another one. */
  const [problems, setProblems] = useState<readonly FieldProblem[]>([]);
  const [lit, setLit] = useState<OpeningDimensionKey | null>(null);
  const [sentOnce, setSentOnce] = useState(false);

  const wanted = useMemo(() => [...wantedDimensions(draft.facts), ...helpfulDimensions(draft.facts)], [draft.facts]);
  const missing = missingInDraft(draft);
  const isSending = waiting.some((entry) => !needsPerson(entry));
  const clashing = waiting.find(({ clash }) => clash !== null);
  const refusal = waiting.find((entry) => entry.refused !== null)?.refused ?? null;
  const errorAt = (path: string) => fieldMessage([...problems, ...(refusal?.errors ?? [])], path);
  const preview = useMemo(() => recordOf(draft), [draft]);

  const unreadFields = useUnreadFields(draft.unread);
  const noteUnread = useCallback(
    (field: string, text: string | null) =>
      change((before) => ({ ...before, unread: withUnread(before.unread, field, text) })),
    [change],
  );
  const changeFacts = (facts: Partial<OpeningFacts>) =>
    change((before) => ({ ...before, facts: { ...before.facts, ...facts } }));

  const send = () => {
    setUnread(unreadFields.isAny());
    if (unreadFields.isAny()) {
      document.querySelector<HTMLElement>('[data-number][aria-invalid="true"]')?.focus();
      return;
    }
    const record = toRecord(draft, { takenBy, now: new Date() });
    setRefused(!record.ok);
    if (!record.ok) {
      document.querySelector<HTMLElement>('[data-dimension] [aria-invalid="true"]')?.focus();
      return;
    }
    const checked = openingRecordSchema.safeParse(record.value);
    setProblems(checked.error?.issues.map(toProblem) ?? []);
    if (!checked.success) return;
    // What was refused or clashed is sent as it is now, not as it was.
    for (const entry of waiting) if (entry.refused || entry.clash) void outbox.remove(entry.id);
    handOver(toEntry(opening, draft, record.value, outbox.personId));
    setSentOnce(true);
  };

  const submit = (event: FormEvent) => {
    event.preventDefault();
    send();
  };

  return (
    <UnreadProvider texts={draft.unread} onNote={noteUnread} mounted={unreadFields.mounted}>
      <form onSubmit={submit} className="flex flex-col gap-6 lg:grid lg:grid-cols-[5fr_6fr] lg:items-start" noValidate>
        {/* On a narrow screen one list: drawing, measurements, facts, what stands behind. */}
        <div className="contents lg:flex lg:flex-col lg:gap-6">
          <section aria-label="Measurements" className="flex flex-col gap-3">
            <p className={missing.length > 0 ? 'font-semibold text-measure' : 'font-semibold text-clears'}>
              {missing.length > 0
                ? `Still to take: ${missing.map((key) => OPENING_DIMENSIONS[key].label.toLowerCase()).join(', ')}.`
                : 'Every dimension is known.'}
            </p>
            <BroughtBack show={broughtBack} onDrop={() => startFrom(opening)} />
            {other && (
              <CarryOver
                draft={draft}
                other={other.record}
                onCarry={() => change((before) => carryOver(before, other.record))}
              />
            )}
            <div className="border-t border-ink">
              {wanted.map((key) => (
                <MeasureField
                  key={key}
                  name={key}
                  field={draft.fields[key]}
                  shop={shop}
                  faces={draft.facts.faces}
                  taken={takenWords(opening, key, draft.fields[key].touched)}
                  error={errorAt(`record.dimensions.${key}`)}
                  onType={(text) => change((before) => typeInto(before, key, text, unit))}
                  onSource={(source) => change((before) => setSource(before, key, source))}
                  onFace={(face) => change((before) => setFace(before, key, face))}
                  onFocus={() => setLit(key)}
                />
              ))}
            </div>
            <p className="text-[13px] leading-4 text-muted">
              A bare number is read in {unit}; a fraction is inches. Several readings: 57,5; 58; 58
            </p>
            <FaceFields faces={draft.facts.faces} errorAt={errorAt} onChange={(faces) => changeFacts({ faces })} />
          </section>
          <AroundFields facts={draft.facts} errorAt={errorAt} onChange={changeFacts} />
        </div>
        <div className="contents lg:sticky lg:top-2 lg:flex lg:flex-col lg:gap-6">
          <section aria-label="Drawing" className="-order-1 flex flex-col gap-2 lg:order-none">
            <OpeningDrawing record={preview} shop={shop} unit={unit} lit={lit} />
            {/* Only beside the fields: above them it would push away the one that was just focused. */}
            {lit && (
              <p className="hidden border-l-4 border-action bg-paper px-3 py-2 lg:block">
                <strong>{OPENING_DIMENSIONS[lit].label}.</strong> {OPENING_DIMENSIONS[lit].hint}
              </p>
            )}
          </section>
          <section aria-label="Facts" className="order-1 lg:order-none">
            <FactFields facts={draft.facts} connectors={connectors} errorAt={errorAt} onChange={changeFacts} />
          </section>
        </div>
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
            isSaved={sentOnce && waiting.length === 0}
            refusal={refusal?.message ?? null}
            hasErrors={
              unread || problems.length > 0 || (refused && wanted.some((key) => draft.fields[key].error !== null))
            }
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
      </form>
    </UnreadProvider>
  );
}

function toEntry(
  { id, jobId, record: { place, side } }: Opening,
  draft: OpeningDraft,
  record: OpeningRecord,
  personId: string,
): SaveOpening {
  return {
    kind: 'saveOpening',
    id: newId(),
    personId,
    at: new Date().toISOString(),
    label: placeLabel({ place, side }),
    refused: null,
    jobId,
    openingId: id,
    version: draft.version,
    base: draft.base,
    record,
    draft: JSON.stringify(draft),
    clash: null,
  };
}

/** What the person picked, as a request on the version that it was picked against. */
function pickedEntry(entry: SaveOpening, record: OpeningRecord): SaveOpening {
  const { clash } = entry;
  if (!clash) return entry;
  return { ...entry, id: newId(), version: clash.version, base: clash.record, record, clash: null };
}

type FieldProblem = { readonly path: string; readonly message: string };

/** As the server names the places of a request. */
function toProblem({
  path,
  message,
}: {
  readonly path: readonly PropertyKey[];
  readonly message: string;
}): FieldProblem {
  return { path: ['record', ...path].join('.'), message };
}

function fieldMessage(errors: readonly FieldProblem[], path: string): string | null {
  return errors.find((error) => error.path === path || error.path.startsWith(`${path}.`))?.message ?? null;
}

function takenWords({ record }: Opening, key: OpeningDimensionKey, touched: boolean): string | null {
  const measurement = record.dimensions[key];
  if (touched || !measurement?.takenBy) return null;
  const day = measurement.takenAt ? `, ${new Date(measurement.takenAt).toLocaleDateString('en-GB')}` : '';
  return `${measurement.takenBy}${day}`;
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
