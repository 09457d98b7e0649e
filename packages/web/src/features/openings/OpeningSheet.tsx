/** Everything that is known of one opening, to be typed and set: its lengths, what is behind it, its plugs, and the drawing of it. */
import type { ConnectorRecord } from '@low-quarry/core/catalogue';
import type { OpeningDimensionKey } from '@low-quarry/core/fit';
import { helpfulDimensions, OPENING_DIMENSIONS, type ShopSettings, wantedDimensions } from '@low-quarry/core/model';
import { type FormEvent, type ReactNode, useCallback, useMemo, useState } from 'react';
import { late } from '../../ui/late';
import type { FieldProblem } from '../../ui/problemFields';
import { useSettings } from '../../ui/settings';
import { Loading } from '../../ui/states';
import { FieldsComing, type MountedFields, UnreadProvider, withUnread } from '../../ui/unreadNumbers';
import { AtPlaceFields } from './AtPlaceFields';
import { MeasureField } from './MeasureField';
import {
  missingInDraft,
  type OpeningDraft,
  type OpeningFacts,
  recordOf,
  setFace,
  setSource,
  typeInto,
  withFacts,
} from './openingDraft';

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
const OldSpeakerFields = late(
  () => import('./OldSpeakerFields').then((code) => code.OldSpeakerFields),
  () => <FieldsComing what="what is known of the old speaker" />,
);
const OpeningDrawing = late(
  () => import('./OpeningDrawing').then((code) => code.OpeningDrawing),
  () => <Loading what="the drawing" />,
);
for (const { load } of [FaceFields, FactFields, AroundFields, OldSpeakerFields, OpeningDrawing]) void load();

type OpeningSheetProps = {
  readonly draft: OpeningDraft;
  readonly shop: ShopSettings;
  readonly connectors: readonly ConnectorRecord[];
  /** What was refused, by the path in the record's request. */
  readonly problems: readonly FieldProblem[];
  /** The fields that are on the screen, kept for whoever checks the draft. */
  readonly mounted: MountedFields;
  /** Who took a stored figure and when, in words. */
  readonly takenWords: (key: OpeningDimensionKey) => string | null;
  readonly change: (next: (before: OpeningDraft) => OpeningDraft) => void;
  readonly onSubmit: () => void;
  /** Above the dimensions, below what the place is, and at the foot. */
  readonly top: ReactNode;
  readonly afterPlace: ReactNode;
  readonly foot: ReactNode;
};

export function OpeningSheet({
  draft,
  shop,
  connectors,
  problems,
  mounted,
  takenWords,
  change,
  onSubmit,
  top,
  afterPlace,
  foot,
}: OpeningSheetProps) {
  const { unit } = useSettings();
  const [lit, setLit] = useState<OpeningDimensionKey | null>(null);
  const wanted = useMemo(() => [...wantedDimensions(draft.facts), ...helpfulDimensions(draft.facts)], [draft.facts]);
  const missing = missingInDraft(draft);
  const errorAt = (path: string) => fieldMessage(problems, path);
  const preview = useMemo(() => recordOf(draft), [draft]);
  const noteUnread = useCallback(
    (field: string, text: string | null) =>
      change((before) => ({ ...before, unread: withUnread(before.unread, field, text) })),
    [change],
  );
  const changeFacts = (facts: Partial<OpeningFacts>) =>
    change((before) => ({ ...before, facts: withFacts(before.facts, facts) }));
  const submit = (event: FormEvent) => {
    event.preventDefault();
    onSubmit();
  };
  return (
    <UnreadProvider texts={draft.unread} onNote={noteUnread} mounted={mounted}>
      <form onSubmit={submit} className="flex flex-col gap-6 lg:grid lg:grid-cols-[5fr_6fr] lg:items-start" noValidate>
        {/* On a narrow screen one list: drawing, measurements, facts, what stands behind. */}
        <div className="contents lg:flex lg:flex-col lg:gap-6">
          <section aria-label="Measurements" className="flex flex-col gap-3">
            <p className={missing.length > 0 ? 'font-semibold text-measure' : 'font-semibold text-clears'}>
              {missing.length > 0
                ? `Still to take: ${missing.map((key) => OPENING_DIMENSIONS[key].label.toLowerCase()).join(', ')}.`
                : 'Every dimension is known.'}
            </p>
            {top}
            <div className="border-t border-ink">
              {wanted.map((key) => (
                <MeasureField
                  key={key}
                  name={key}
                  field={draft.fields[key]}
                  shop={shop}
                  faces={draft.facts.faces}
                  taken={draft.fields[key].touched ? null : takenWords(key)}
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
          {draft.facts.presence === 'fitted' && (
            <section aria-label="The old speaker" className="order-2">
              <h2 className="mb-2 border-b border-ink text-[18px] font-bold">The old speaker</h2>
              <OldSpeakerFields facts={draft.facts} onChange={changeFacts} />
            </section>
          )}
          <section aria-label="The place" className="order-2">
            <h2 className="mb-2 border-b border-ink text-[18px] font-bold">The place itself</h2>
            <AtPlaceFields facts={draft.facts} errorAt={errorAt} onChange={changeFacts} />
            {afterPlace}
          </section>
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
        {foot}
      </form>
    </UnreadProvider>
  );
}

function fieldMessage(errors: readonly FieldProblem[], path: string): string | null {
  return errors.find((error) => error.path === path || error.path.startsWith(`${path}.`))?.message ?? null;
}
