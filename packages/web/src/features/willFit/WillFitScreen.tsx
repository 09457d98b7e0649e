/** Will this one fit? Any speaker, in any opening of the library, without a job: the answer while the customer waits. */

import type { ListedSpeaker } from '@low-quarry/core/catalogue';
import { partName, type SpeakerRecord, TERMINALS, toFitCatalogue } from '@low-quarry/core/catalogue';
import type { CheckId } from '@low-quarry/core/fit';
import { judgeCandidate } from '@low-quarry/core/fit';
import {
  placeLabel,
  readingHalfWidthsMm,
  type Shop,
  toFitOpening,
  toFitRules,
  type VehicleRecord,
  vehicleName,
} from '@low-quarry/core/model';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { shopQuery } from '../../api/sharedQueries';
import { catalogueQuery } from '../../catalogue/catalogueQueries';
import type { KnownCatalogue } from '../../catalogue/KnownCatalogue';
import { listedView } from '../../catalogue/listedView';
import { FaceDrawing } from '../../drawing/FaceDrawing';
import { SectionDrawing } from '../../drawing/SectionDrawing';
import { sectionGeometry } from '../../drawing/sectionGeometry';
import { factsOf, verdictLine } from '../../text/verdictLine';
import { useAddress, withParams } from '../../ui/address';
import { Field, INPUT } from '../../ui/Field';
import { PutRight } from '../../ui/PutRight';
import { Shell } from '../../ui/Shell';
import { useSettings } from '../../ui/settings';
import { Answered, Loading } from '../../ui/states';
import { useKept } from '../../ui/useKept';
import { VerdictMark, verdictColour } from '../../ui/VerdictMark';
import { stackWords } from '../fit/CandidateList';
import { CheckLedger } from '../fit/CheckLedger';
import { OpenForOpening } from '../fit/OpenForOpening';
import { vehiclesQuery } from '../jobs/jobsQueries';
import {
  EMPTY_HAND,
  HAND_ID,
  HAND_KEYS,
  HAND_LENGTHS,
  type HandForm,
  handFormSchema,
  toHandSpeaker,
} from './handSpeaker';
import { bestStackQuery, speakerQuery } from './willFitQueries';

export function WillFitScreen() {
  const vehicles = useQuery(vehiclesQuery);
  const shop = useQuery(shopQuery);
  const catalogue = useQuery(catalogueQuery);
  return (
    <Shell
      title="Will this one fit?"
      crumbs={[
        { to: '/', label: 'Jobs' },
        { to: '/will-it-fit', label: 'Will this one fit?' },
      ]}
    >
      <Answered query={vehicles} what="the vehicles">
        {(answer) => (
          <Answered query={shop} what="the shop’s settings">
            {(settings) => (
              <Answered query={catalogue} what="the catalogue">
                {(parts) => <Question vehicles={answer.vehicles} shop={settings} catalogue={parts} />}
              </Answered>
            )}
          </Answered>
        )}
      </Answered>
    </Shell>
  );
}

type QuestionProps = {
  readonly vehicles: readonly VehicleRecord[];
  readonly shop: Shop;
  readonly catalogue: KnownCatalogue;
};

function Question({ vehicles, shop, catalogue }: QuestionProps) {
  const { unit } = useSettings();
  const [search, changeAddress] = useAddress();
  const { state: hand, keep: keepHand } = useKept('handSpeaker', handFormSchema, () => EMPTY_HAND);
  const set = (name: string, value: string) =>
    changeAddress((before) =>
      withParams(before, { ...(name === 'vehicle' ? { opening: null } : {}), [name]: value === '' ? null : value }),
    );
  const vehicle = vehicles.find(({ id }) => id === search.get('vehicle')) ?? vehicles[0];
  const openingAt = Math.min(Number(search.get('opening') ?? 0) || 0, (vehicle?.openings.length ?? 1) - 1);
  const record = vehicle?.openings[openingAt];
  const speakers = useMemo(
    () =>
      catalogue.listed
        .filter((part): part is ListedSpeaker => part.kind === 'speaker')
        .sort((a, b) => partName(a).localeCompare(partName(b), 'en')),
    [catalogue],
  );
  const speakerId = search.get('speaker') ?? '';
  const isByHand = speakerId === HAND_ID;
  const typed = isByHand ? toHandSpeaker(hand, unit) : null;
  const isListed = speakers.some(({ id }) => id === speakerId);
  const read = useQuery({ ...speakerQuery(catalogue.version, speakerId), enabled: isListed });
  const speaker = isByHand ? (typed?.ok ? typed.value : null) : isListed ? (read.data ?? null) : null;
  if (!vehicle || !record) return <p className="text-muted">The library has no vehicle yet.</p>;
  return (
    <div className="grid items-start gap-6 lg:grid-cols-[320px_minmax(0,1fr)]">
      <form className="flex flex-col gap-2" onSubmit={(event) => event.preventDefault()}>
        <Field label="Vehicle and trim">
          {(ids) => (
            <select
              {...ids}
              className={INPUT}
              value={vehicle.id}
              onChange={({ target }) => set('vehicle', target.value)}
            >
              {vehicles.map((each) => (
                <option key={each.id} value={each.id}>
                  {vehicleName(each)}, {each.years}, {each.trim}
                </option>
              ))}
            </select>
          )}
        </Field>
        <Field label="Opening" hint={`Made for ${record.nominalSize}`}>
          {(ids) => (
            <select
              {...ids}
              className={INPUT}
              value={openingAt}
              onChange={({ target }) => set('opening', target.value)}
            >
              {vehicle.openings.map((each, at) => (
                <option key={placeLabel(each)} value={at}>
                  {placeLabel(each)}
                </option>
              ))}
            </select>
          )}
        </Field>
        <Field label="Speaker" hint="From the catalogue, or one that is on the counter">
          {(ids) => (
            <select
              {...ids}
              className={INPUT}
              value={speakerId}
              onChange={({ target }) => set('speaker', target.value)}
            >
              <option value="">Choose …</option>
              <option value={HAND_ID}>Typed in by hand</option>
              {speakers.map((each) => (
                <option key={each.id} value={each.id}>
                  {partName(each)}, {each.nominalSize}
                </option>
              ))}
            </select>
          )}
        </Field>
        {isByHand && (
          <HandFields
            form={hand}
            errors={typed && !typed.ok ? typed.failure : {}}
            onChange={(change) => keepHand({ ...hand, ...change })}
          />
        )}
      </form>
      {speaker ? (
        <Answer record={record} speaker={speaker} shop={shop} catalogue={catalogue} />
      ) : (
        <p className="border-y border-hairline py-8 text-muted">
          {isByHand
            ? 'Type what the calliper says: cutout, depth, magnet and bolt circle decide most.'
            : 'Choose a speaker, and the answer stands here.'}
        </p>
      )}
    </div>
  );
}

function HandFields({
  form,
  errors,
  onChange,
}: {
  readonly form: HandForm;
  readonly errors: Readonly<Partial<Record<string, string>>>;
  readonly onChange: (change: Partial<HandForm>) => void;
}) {
  return (
    <div className="grid grid-cols-2 gap-x-3 gap-y-1">
      {HAND_KEYS.map((key) => (
        <Field key={key} label={HAND_LENGTHS[key]} error={form[key] === '' ? null : errors[key]}>
          {(ids) => (
            <input
              {...ids}
              inputMode="text"
              autoComplete="off"
              className={INPUT}
              value={form[key]}
              onChange={({ target }) => onChange({ [key]: target.value })}
            />
          )}
        </Field>
      ))}
      <Field label="Holes">
        {(ids) => (
          <select
            {...ids}
            className={INPUT}
            value={form.holes}
            onChange={({ target }) => onChange({ holes: target.value })}
          >
            {['3', '4', '6', '8'].map((count) => (
              <option key={count}>{count}</option>
            ))}
          </select>
        )}
      </Field>
      <Field label="Terminals">
        {(ids) => (
          <select
            {...ids}
            className={INPUT}
            value={form.terminals}
            onChange={({ target }) => onChange({ terminals: target.value })}
          >
            {TERMINALS.map((terminals) => (
              <option key={terminals}>{terminals}</option>
            ))}
          </select>
        )}
      </Field>
    </div>
  );
}

function Answer({
  record,
  speaker,
  shop,
  catalogue,
}: Pick<QuestionProps, 'shop' | 'catalogue'> & {
  readonly record: VehicleRecord['openings'][number];
  readonly speaker: SpeakerRecord;
}) {
  const { unit } = useSettings();
  const [lit, setLit] = useState<CheckId | null>(null);
  const { opening, rules } = useMemo(() => {
    const names = new Map(catalogue.connectors.map(({ id, name }) => [id, name]));
    const at = toFitOpening(record, readingHalfWidthsMm(shop), (id) => names.get(id) ?? id);
    return { opening: at, rules: toFitRules(shop) };
  }, [record, shop, catalogue]);
  const best = useQuery(bestStackQuery(catalogue.version, opening, rules, speaker));
  const { adapters } = useMemo(() => toFitCatalogue(catalogue.shelf), [catalogue]);
  const { parts } = useMemo(() => listedView(catalogue), [catalogue]);
  const judged = useMemo(() => {
    if (!best.data) return null;
    const found = judgeCandidate(opening, best.data, adapters, rules, unit);
    return { judgement: found, section: sectionGeometry(opening, best.data, found, rules) };
  }, [best.data, opening, adapters, rules, unit]);
  if (best.isError) return <p role="alert">The answer could not be worked out: {best.error.message}</p>;
  if (!best.data || !judged) return <Loading what="the answer" />;
  const candidate = best.data;
  const { judgement, section } = judged;
  const deciding = judgement.checks.find(({ id }) => id === judgement.decidedBy);
  return (
    <section aria-label="The answer" className="grid min-w-0 gap-x-6 gap-y-3 xl:grid-cols-[minmax(0,1fr)_316px]">
      <div className="flex min-w-0 flex-col gap-2">
        <h2 className="text-[20px] font-bold leading-6">
          {partName(speaker)}
          <span className="block text-[14px] font-normal leading-5 text-muted">
            {stackWords(
              candidate.layers.map(({ id }) => id),
              parts,
            )}
          </span>
        </h2>
        <p
          role="status"
          data-verdict={judgement.verdict}
          className={`flex items-center gap-2 text-[18px] font-bold ${verdictColour(judgement.verdict)}`}
        >
          <VerdictMark verdict={judgement.verdict} hidden size={20} />
          {verdictLine(factsOf(judgement), record.behind, unit)}
        </p>
        <p>{deciding?.sentence}</p>
        <PutRight judgement={judgement} behind={record.behind} />
        <OpenForOpening opening={opening} judgement={judgement} measureAt={null} />
        <p className="text-[13px] leading-4 text-muted">
          By what the library knows of this model; nothing of it was measured on this car.
        </p>
        <div className="grid items-end gap-4 sm:grid-cols-[6fr_5fr]">
          <SectionDrawing
            section={section}
            unit={unit}
            lit={lit}
            maxHeightPx={400}
            label={`Section. ${deciding?.sentence ?? ''}`}
          />
          <FaceDrawing
            opening={opening}
            candidate={candidate}
            mount={judgement.mount}
            plane={section.plane}
            maxHeightPx={320}
            lit={lit === 'bolts'}
            label="Face with the bolt pattern at its best rotation"
          />
        </div>
      </div>
      <CheckLedger judgement={judgement} behind={record.behind} unit={unit} lit={lit} onLight={setLit} />
    </section>
  );
}
