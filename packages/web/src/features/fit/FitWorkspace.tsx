/** Drawings, spacer, ledger and list around one shown candidate; which one it is stands in the address bar. */

import { partName, ratingWords } from '@low-quarry/core/catalogue';
import type { OpeningWithState } from '@low-quarry/core/contracts/jobs';
import type {
  CheckId,
  FitCatalogue,
  FitOpening,
  FitRules,
  OpeningDimensionKey,
  RankedSpeaker,
  Ranking,
  Work,
} from '@low-quarry/core/fit';
import { WHAT_IF_ID } from '@low-quarry/core/fit';
import {
  behindFace,
  cautionsFor,
  OPENING_DIMENSIONS,
  readingHalfWidthsMm,
  rimPlaceList,
  type ShopSettings,
} from '@low-quarry/core/model';
import { degToRad, radToDeg } from '@low-quarry/core/units';
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { ListedParts } from '../../catalogue/ListedParts';
import { FaceDrawing } from '../../drawing/FaceDrawing';
import { SectionDrawing } from '../../drawing/SectionDrawing';
import { sectionGeometry } from '../../drawing/sectionGeometry';
import { addressOf } from '../../stations/addressOf';
import { factsOf, verdictLine } from '../../text/verdictLine';
import { UNIT_WORDS } from '../../text/words';
import { withParams } from '../../ui/address';
import { PutRight } from '../../ui/PutRight';
import { useSettings } from '../../ui/settings';
import { Loading } from '../../ui/states';
import { useRested } from '../../ui/useRested';
import { VerdictMark, verdictColour } from '../../ui/VerdictMark';
import type { ChannelQuestion, ChannelTold } from '../../workers/channelOfCatalogue';
import { AdvicePanel } from './AdvicePanel';
import { againstOldMount } from './againstOldMount';
import { CandidateList, stackWords } from './CandidateList';
import { ChangedSince } from './ChangedSince';
import { ChannelLedger, ChannelOfAll, ChannelVerdict, channelHold } from './ChannelNotes';
import { CheckLedger } from './CheckLedger';
import { ChoosePanel } from './ChoosePanel';
import { ClaimsNote } from './ClaimsNote';
import { ComparePanel } from './ComparePanel';
import { readFilter, writeFilter } from './candidateFilter';
import { differencesOf } from './compareView';
import { adviceQuery, channelChecksQuery, lookQuery, needsLook, REST_MS, rankingQuery } from './fitQueries';
import { ImpedanceNote } from './ImpedanceNote';
import type { ChannelJoin } from './joinChannel';
import { OpenForOpening } from './OpenForOpening';
import { PieceTemplates } from './PieceTemplates';
import { SpacerSlider } from './SpacerSlider';
import { WORKS_PARAM, writeWorks } from './shownWorks';
import type { CandidateIds } from './startingIds';
import { useShown } from './useShown';
import { ViewControls } from './ViewControls';
import { WhatIfGrips, whatIfWords } from './WhatIfGrips';
import { WorkPanel } from './WorkPanel';
import { isWhatIf, NO_WHAT_IF, type WhatIf, withWhatIf } from './whatIf';

type FitWorkspaceProps = {
  readonly jobId: string;
  readonly vehicleId: string;
  readonly opening: OpeningWithState;
  readonly other: OpeningWithState | null;
  readonly toFit: (opening: OpeningWithState) => FitOpening;
  /** Of the catalogue. */
  readonly version: string;
  /** The shapes of what is shown, and of what goes with any speaker. */
  readonly catalogue: FitCatalogue;
  readonly listed: ListedParts;
  readonly start: CandidateIds;
  /** Laid over the shown candidate. */
  readonly over: Omit<CandidateIds, 'works'> | null;
  readonly rules: FitRules;
  readonly shop: ShopSettings;
  /** null while it is worked out. */
  readonly ranking: Ranking | null;
  /** What its channel says, null while it is asked, and what it was asked by. */
  readonly channel: {
    readonly question: ChannelQuestion;
    readonly told: ChannelTold | null;
    readonly join: ChannelJoin;
  };
  readonly missing: readonly OpeningDimensionKey[];
  readonly search: URLSearchParams;
  readonly changeAddress: (change: (before: URLSearchParams) => URLSearchParams) => void;
};

/** Three.js comes only when somebody asks for it. */
const SpaceView = lazy(() => import('../../drawing/SpaceView'));

const SECTION_HEIGHT_PX = 430;
const FACE_HEIGHT_PX = 330;

export function FitWorkspace({
  jobId,
  vehicleId,
  opening,
  other,
  toFit,
  version,
  catalogue,
  listed: parts,
  start,
  over: overIds,
  rules,
  shop,
  ranking: realRanking,
  channel: { question, told, join },
  missing,
  search,
  changeAddress,
}: FitWorkspaceProps) {
  const { unit } = useSettings();
  const { speakerIds } = parts;
  const [lit, setLit] = useState<CheckId | null>(null);
  /** null: where the deciding gap is. */
  const [cutDeg, setCutDeg] = useState<number | null>(null);
  const [windowUpMm, setWindowUpMm] = useState(0);
  const [inSpace, setInSpace] = useState(false);
  // The slider may stand where no stocked ring is; that is a what-if of this screen and goes with it.
  const [what, setWhat] = useState<{ readonly of: string; readonly heightMm: number } | null>(null);

  const measuredOpening = useMemo(() => toFit(opening), [toFit, opening]);
  const otherOpening = useMemo(() => other && toFit(other), [toFit, other]);
  const [whatIf, setWhatIf] = useState<WhatIf>(NO_WHAT_IF);
  const fitOpening = useMemo(() => withWhatIf(measuredOpening, whatIf), [measuredOpening, whatIf]);
  const isLarge = needsLook(speakerIds.length);
  const restedOpening = useRested(fitOpening, isLarge ? REST_MS : 0);
  const isMeasured = !isWhatIf(whatIf);
  const ranked = useQuery({
    ...rankingQuery(version, speakerIds.length, restedOpening, rules, isMeasured),
    enabled: told !== null,
  });
  const byShape = ranked.data ?? realRanking;
  const ranking = useMemo(() => byShape && join.ranking(byShape), [byShape, join]);
  const isBehind = isLarge && (restedOpening !== fitOpening || ranked.isPlaceholderData);
  // A hand moves faster than a large catalogue is looked through: each look is shown, and the next is at where the hand is by then.
  const [lookedFor, setLookedFor] = useState(fitOpening);
  const look = useQuery({ ...lookQuery(version, lookedFor, rules), enabled: isBehind });
  if (lookedFor !== fitOpening && !look.isFetching) setLookedFor(fitOpening);

  const isLooked = isBehind || !ranking;
  const firstLook = useMemo(() => (isLooked && look.data ? join.look(look.data) : null), [isLooked, look.data, join]);

  const stackKey = `${start.speakerId}/${start.layerIds.join()}`;
  const { candidate, shown, judgement, tightPlane, nearest, heightMm, spacer, stocked, range, over, there } = useShown({
    opening: fitOpening,
    otherOpening,
    catalogue,
    rules,
    unit,
    start,
    over: overIds,
    slidMm: what?.of === stackKey ? what.heightMm : null,
  });
  const checked = useQuery(channelChecksQuery(version, question, candidate.speaker.id));
  const ofChannel = told?.kind === 'known' && checked.data ? { told, checks: checked.data } : null;
  const overId = overIds?.speakerId ?? null;
  const layerIds = candidate.layers.map(({ id }) => id);
  const deciding = judgement.checks.find(({ id }) => id === judgement.decidedBy);
  const plane = useMemo(() => (cutDeg === null ? tightPlane : { angleRad: degToRad(cutDeg) }), [cutDeg, tightPlane]);
  const section = useMemo(
    () => sectionGeometry(shown.opening, shown.candidate, judgement, rules, { plane, windowUpMm, over }),
    [shown, judgement, rules, plane, windowUpMm, over],
  );
  const differences = over
    ? differencesOf({ candidate: shown.candidate, judgement }, over, behindFace(opening.record))
    : [];
  const speaker = parts.get(candidate.speaker.id);
  const behind = behindFace(opening.record);
  const otherJudged = other && there && { opening: other, ...there };
  const removed = againstOldMount(opening.record.faces, shown.candidate.layers, unit);
  const cautions = cautionsFor(opening.record);
  const measureAt = addressOf('measure', { jobId, openingId: opening.id });

  const show = (speakerId: string, theirs: readonly string[], works: readonly Work[] = []) => {
    setWhat(null);
    changeAddress((before) =>
      withParams(before, { speaker: speakerId, stack: theirs.join(' '), [WORKS_PARAM]: writeWorks(works) }),
    );
  };
  const select = ({ speakerId, best }: RankedSpeaker) => {
    show(speakerId, best.layerIds);
    if (window.matchMedia('(max-width: 1023px)').matches)
      document.querySelector('main')?.scrollIntoView({ behavior: 'instant' });
  };

  return (
    <>
      <OpenForOpening opening={measuredOpening} judgement={judgement} measureAt={measureAt} />
      <div className="grid items-start gap-x-6 gap-y-4 lg:grid-cols-[minmax(0,1fr)_340px] xl:grid-cols-[minmax(0,1fr)_316px_320px]">
        <section aria-label="The candidate" className="flex min-w-0 flex-col gap-2">
          <div>
            <h2 className="text-[20px] font-bold leading-6">
              {speaker ? partName(speaker) : candidate.speaker.name}
              <span className="block text-[14px] font-normal leading-5 text-muted">
                {speaker?.kind === 'speaker' &&
                  `${speaker.nominalSize} ${speaker.speakerKind}, ${ratingWords(speaker)}, `}
                {spacer?.id === WHAT_IF_ID
                  ? `a ring that is not in stock + ${stackWords(layerIds.slice(1), parts)}`
                  : shown.works.some(({ kind }) => kind === 'cutPlate')
                    ? shown.candidate.layers.map(({ name }) => name).join(' + ')
                    : stackWords(layerIds, parts)}
              </span>
            </h2>
            <p
              className={`mt-1 flex items-center gap-2 text-[18px] font-bold ${verdictColour(judgement.verdict)}`}
              data-verdict={judgement.verdict}
              role="status"
            >
              <VerdictMark verdict={judgement.verdict} hidden size={20} />
              {verdictLine(factsOf(judgement), behind, unit)}
            </p>
            <p>{deciding?.sentence}</p>
            {ofChannel && <ChannelVerdict {...ofChannel} />}
            {speaker?.kind === 'speaker' && speaker.impedanceOhm !== null && (
              <ImpedanceNote record={opening.record} newOhm={speaker.impedanceOhm} />
            )}
            <ClaimsNote
              claims={speaker?.claims ?? []}
              at={{ vehicleId, place: opening.record.place }}
              verdict={judgement.verdict}
            />
            <PutRight judgement={judgement} behind={behind} />
            {shown.undoable && (
              <p className="mt-1 border-l-4 border-measure bg-paper px-3 py-2">
                Shown without its work by hand: {shown.undoable}
              </p>
            )}
            <a href="#candidates" className="inline-flex min-h-12 items-center text-action underline lg:hidden">
              Other candidates
            </a>
            {missing.length > 0 && (
              <p className="mt-1 border-l-4 border-measure bg-paper px-3 py-2">
                Not measured: {missing.map((key) => OPENING_DIMENSIONS[key].label.toLowerCase()).join(', ')}.{' '}
                <Link to={measureAt} className="text-action underline">
                  Take the measurement
                </Link>
              </p>
            )}
          </div>
          <div className="grid items-end gap-4 sm:grid-cols-[6fr_5fr]">
            <SectionDrawing
              section={section}
              unit={unit}
              lit={lit}
              maxHeightPx={SECTION_HEIGHT_PX}
              label={`Section. ${deciding?.sentence ?? ''}`}
              hasControls
            >
              <WhatIfGrips opening={fitOpening} section={section} whatIf={whatIf} unit={unit} onChange={setWhatIf} />
            </SectionDrawing>
            <FaceDrawing
              opening={shown.opening}
              candidate={shown.candidate}
              mount={judgement.mount}
              over={over && { candidate: over.candidate, mount: over.judgement.mount }}
              plane={plane}
              maxHeightPx={FACE_HEIGHT_PX}
              lit={lit === 'bolts'}
              label="Face with the bolt pattern at its best rotation"
            />
          </div>
          {isWhatIf(whatIf) && (
            <p
              role="status"
              className="flex flex-wrap items-center gap-x-4 border-l-4 border-action bg-paper px-3 py-1"
            >
              What if: {whatIfWords(measuredOpening, whatIf, unit)}. Nothing of it is saved.
              <button
                type="button"
                onClick={() => setWhatIf(NO_WHAT_IF)}
                className="min-h-10 text-action underline underline-offset-2"
              >
                Back to what was measured
              </button>
            </p>
          )}
          <ViewControls
            cutDeg={cutDeg}
            tightDeg={Math.round(radToDeg(tightPlane.angleRad))}
            windowUpMm={windowUpMm}
            hasWindow={behind === 'glass'}
            unit={unit}
            onCut={setCutDeg}
            onWindow={setWindowUpMm}
          />
          <SpacerSlider
            heightMm={heightMm}
            stocked={stocked}
            range={range}
            behind={behind}
            unit={unit}
            onChange={(next) => setWhat({ of: stackKey, heightMm: next })}
          />
          {removed && <p>{removed}</p>}
          <ComparePanel
            speakers={ranking?.speakers ?? []}
            parts={parts}
            shownId={candidate.speaker.id}
            overId={over ? overId : null}
            differences={differences}
            unit={unit}
            onOver={(id) => changeAddress((before) => withParams(before, { over: id }))}
          />
          <details onToggle={({ currentTarget }) => setInSpace(currentTarget.open)}>
            <summary className="min-h-10 py-2 font-semibold text-action">Show it in space</summary>
            {inSpace && (
              <Suspense fallback={<p className="text-muted">Loading the view …</p>}>
                <SpaceView
                  opening={shown.opening}
                  candidate={shown.candidate}
                  mount={judgement.mount}
                  nearest={nearest}
                  label={`View in space. ${deciding?.sentence ?? ''}`}
                />
              </Suspense>
            )}
          </details>
          <p className="text-[13px] leading-4 text-muted">
            {section.stack?.isStated
              ? 'The body’s sections are the catalogue’s.'
              : 'The catalogue gives depth, cutout and magnet only: the line between them is a cautious typical one.'}{' '}
            Bands are the clearance the shop asks, and the numbers what is left beyond it, in {UNIT_WORDS[unit]}.
          </p>
        </section>
        <div className="flex min-w-0 flex-col gap-3">
          {shown.works.length > 0 ? (
            <WorkPanel works={shown.works} unit={unit} onLeaveOut={() => show(candidate.speaker.id, layerIds)} />
          ) : (
            <AdvicePanel
              query={{
                ...adviceQuery(version, fitOpening, rules, candidate, {
                  halfWidthsMm: readingHalfWidthsMm(shop),
                  places: rimPlaceList(opening.record, fitOpening),
                  returnCostMinor: shop.returnCostMinor,
                  minuteCostMinor: shop.minuteCostMinor,
                }),
                // Asked of what is shown, but not of all that is dragged past.
                enabled: restedOpening === fitOpening && ranking !== null,
              }}
              parts={parts}
              currency={shop.currency}
              behind={behind}
              unit={unit}
              against={(speakerId) => join.against(speakerId)}
              onChange={({ speakerId, layerIds: theirs, works }) => show(speakerId, theirs, works)}
            />
          )}
          <PieceTemplates record={opening.record} cut={shown} mount={judgement.mount} rules={rules} unit={unit} />
          <CheckLedger judgement={judgement} behind={behind} unit={unit} lit={lit} onLight={setLit} />
          {ofChannel && <ChannelLedger {...ofChannel} />}
          {checked.isError && <p role="alert">Its channel could not be asked: {checked.error.message}</p>}
          {opening.state.kind === 'chosen' && <ChangedSince state={opening.state} record={opening.record} />}
          <ChoosePanel
            key={`${stackKey}/${heightMm}/${writeWorks(shown.works)}`}
            jobId={jobId}
            here={{ opening, judgement, works: shown.works }}
            other={otherJudged}
            candidate={{
              speakerId: candidate.speaker.id,
              layerIds,
            }}
            speakerName={candidate.speaker.name}
            notOrderable={
              isWhatIf(whatIf)
                ? 'The drawing shows a what-if: go back to what was measured to choose.'
                : spacer?.id === WHAT_IF_ID
                  ? 'No ring of this height is in stock: move the spacer to a stocked height to choose.'
                  : null
            }
            heldBy={channelHold(told, ofChannel?.checks ?? [])}
            unit={unit}
          />
          {cautions.length > 0 && (
            <aside aria-label="Cautions" className="border-l-4 border-hold pl-3 text-[13px] leading-4">
              <ul className="flex flex-col gap-1">
                {cautions.map((caution) => (
                  <li key={caution}>{caution}</li>
                ))}
              </ul>
            </aside>
          )}
        </div>
        <div
          id="candidates"
          className="flex scroll-mt-4 flex-col gap-2 lg:col-span-2 xl:col-span-1 xl:col-start-3 xl:row-start-1"
        >
          {told && <ChannelOfAll told={told} jobId={jobId} vehicleId={vehicleId} />}
          {ranking || firstLook ? (
            <CandidateList
              ranking={ranking}
              firstLook={firstLook}
              parts={parts}
              behind={behind}
              unit={unit}
              currency={shop.currency}
              selectedId={candidate.speaker.id}
              comparedId={overId}
              filter={readFilter(search)}
              onFilter={(changes) =>
                changeAddress((before) => withParams(before, writeFilter({ ...readFilter(before), ...changes })))
              }
              onSelect={select}
            />
          ) : (
            <Loading what={`the verdicts of ${speakerIds.length.toLocaleString('en')} speakers`} />
          )}
        </div>
      </div>
    </>
  );
}
