/** The whole catalogue ranked for this opening: who fits, and at which check the others fall out. */

import { type ListedById, orderedId, partName, snapOffNamed } from '@low-quarry/core/catalogue';
import { checkLabel, fallOutWords, ringThicknessMm, VERDICTS_BY_RANK } from '@low-quarry/core/fit';
import type { OpeningRecord } from '@low-quarry/core/model';
import type { LengthUnit } from '@low-quarry/core/units';
import { printMargin, printPlusMinus } from '@low-quarry/core/units';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import type { ListedParts } from '../../catalogue/ListedParts';
import { printCost } from '../../text/money';
import { CHANNEL_CHECK_WORDS, VERDICT_WORDS } from '../../text/words';
import { MarginRail } from '../../ui/MarginRail';
import { Loading } from '../../ui/states';
import { VerdictMark, verdictColour } from '../../ui/VerdictMark';
import {
  type CandidateFilter,
  DECIDING,
  type Deciding,
  decidingOf,
  filterChoices,
  type Shown,
} from './candidateFilter';
import type { JudgedLook, JudgedRanking, JudgedSpeaker } from './joinChannel';
import { listAll, listFirst } from './listed';

type CandidateListProps = {
  /** Null while it is worked out for the first time. */
  readonly ranking: JudgedRanking | null;
  /** Of the opening as it is now, where the ranking is not there yet. */
  readonly firstLook: JudgedLook | null;
  readonly parts: ListedParts;
  readonly behind: OpeningRecord['behind'];
  readonly unit: LengthUnit;
  readonly currency: string;
  readonly selectedId: string | null;
  readonly comparedId: string | null;
  readonly filter: CandidateFilter;
  readonly onFilter: (changes: Partial<CandidateFilter>) => void;
  readonly onSelect: (candidate: JudgedSpeaker) => void;
};

/** What a row is taken to be high before it has been measured, px. */
const ROW_PX = 88;

export function CandidateList(props: CandidateListProps) {
  const { ranking, firstLook, filter, onFilter, parts } = props;
  const listed = useMemo(
    () =>
      (firstLook && listFirst(firstLook, parts.speakerIds, filter, parts)) ??
      (ranking && listAll(ranking, filter, parts)),
    [ranking, firstLook, filter, parts],
  );
  if (!listed)
    return (
      <section aria-label="Candidates" className="flex flex-col gap-2">
        <h2>Candidates</h2>
        <Filters filter={filter} parts={parts} onFilter={onFilter} />
        <Loading what="what this filter asks for" />
      </section>
    );
  const { counts, total, shown, toCome, matching, stacksJudged } = listed;
  const show = (next: Shown) => onFilter({ shown: next });
  return (
    <section aria-label="Candidates" className="flex min-h-0 flex-col gap-2">
      <h2>
        Candidates{' '}
        <span className="font-normal text-muted">{stacksJudged.toLocaleString('en')} combinations judged</span>
      </h2>
      <Filters filter={filter} parts={parts} onFilter={onFilter} />
      <fieldset className="grid grid-cols-5 gap-x-1">
        <legend className="sr-only">Show by verdict</legend>
        <FilterButton pressed={filter.shown.kind === 'all'} onPress={() => show({ kind: 'all' })}>
          <span className="font-bold">{total.toLocaleString('en')}</span>
          <span>all</span>
        </FilterButton>
        {VERDICTS_BY_RANK.map((verdict) => (
          <FilterButton
            key={verdict}
            pressed={filter.shown.kind === 'verdict' && filter.shown.verdict === verdict}
            onPress={() => show({ kind: 'verdict', verdict })}
          >
            <span className="flex items-center gap-1 font-bold">
              <VerdictMark verdict={verdict} hidden size={12} />
              {counts[verdict].toLocaleString('en')}
            </span>
            <span>{VERDICT_WORDS[verdict].toLowerCase()}</span>
          </FilterButton>
        ))}
      </fieldset>
      {matching ? (
        <WhyNot matching={matching} behind={props.behind} shown={filter.shown} onShow={show} />
      ) : (
        // In the place of what can be opened: the rows must not jump when the hand begins to move.
        <p className="min-h-10 border-y border-hairline py-2 font-semibold text-muted">
          {whyNotWords(total - counts.clears)}
        </p>
      )}
      {shown.length === 0 && toCome === 0 ? (
        <p className="border-y border-hairline py-4 text-muted">
          No speaker is in this group. “All” and empty filters show the whole catalogue.
        </p>
      ) : (
        <Rows {...props} shown={shown} />
      )}
      {toCome > 0 && (
        <p className="text-[13px] leading-4 text-muted">
          {toCome.toLocaleString('en')} more are{' '}
          {ranking ? 'put in order when nothing moves any more' : 'being put in order'}.
        </p>
      )}
      <NotJudged parts={parts} />
    </section>
  );
}

/** What nobody can judge is not passed over in silence. */
function NotJudged({ parts: { lackingIds } }: Pick<CandidateListProps, 'parts'>) {
  const count = lackingIds.length;
  if (count === 0) return null;
  return (
    <p className="text-[13px] leading-4">
      {count.toLocaleString('en')} more {count === 1 ? 'speaker is' : 'speakers are'} not judged: the catalogue lacks
      lengths of {count === 1 ? 'it' : 'them'}.{' '}
      <Link to="/parts?open=lacking" className="text-action underline">
        Which, and what
      </Link>
    </p>
  );
}

/** Only the rows in sight are there: a catalogue of thousands scrolls like one of sixty. */
function Rows({ shown, ...props }: CandidateListProps & { readonly shown: readonly JudgedSpeaker[] }) {
  const box = useRef<HTMLDivElement>(null);
  const rows = useVirtualizer({
    count: shown.length,
    getScrollElement: () => box.current,
    estimateSize: () => ROW_PX,
    getItemKey: (index) => shown[index]?.speakerId ?? index,
    overscan: 8,
  });
  return (
    <div
      ref={box}
      className="max-h-[70dvh] min-h-0 flex-1 overflow-y-auto border-t border-ink xl:max-h-[calc(100dvh-400px)] xl:min-h-64"
    >
      <ul
        aria-label="Ranked speakers"
        data-count={shown.length}
        className="relative"
        style={{ height: rows.getTotalSize() }}
      >
        {rows.getVirtualItems().map(({ index, key, start }) => {
          const candidate = shown[index];
          return (
            candidate && (
              <li
                key={key}
                ref={rows.measureElement}
                data-index={index}
                aria-setsize={shown.length}
                aria-posinset={index + 1}
                className="absolute inset-x-0 top-0 border-b border-hairline"
                style={{ transform: `translateY(${start}px)` }}
              >
                <CandidateRow candidate={candidate} {...props} />
              </li>
            )
          );
        })}
      </ul>
    </div>
  );
}

function Filters({ filter, parts, onFilter }: Pick<CandidateListProps, 'filter' | 'parts' | 'onFilter'>) {
  const { sizes, makers, kinds } = useMemo(() => filterChoices(parts.all()), [parts]);
  return (
    <div className="grid grid-cols-2 gap-2">
      <Choice label="Size" value={filter.size} choices={sizes} onChange={(size) => onFilter({ size })} />
      <Choice label="Maker" value={filter.maker} choices={makers} onChange={(maker) => onFilter({ maker })} />
      <Choice label="Kind" value={filter.kind} choices={kinds} onChange={(kind) => onFilter({ kind })} />
      <PriceField mostMinor={filter.mostMinor} onChange={(mostMinor) => onFilter({ mostMinor })} />
    </div>
  );
}

/** Keeps what is typed as it is typed: “12.” is on its way to 12.5. */
function PriceField({
  mostMinor,
  onChange,
}: {
  readonly mostMinor: number | null;
  readonly onChange: (mostMinor: number | null) => void;
}) {
  const [typed, setTyped] = useState('');
  const text = readPrice(typed) === mostMinor ? typed : mostMinor === null ? '' : String(mostMinor / 100);
  return (
    <label className="flex flex-col text-[13px] leading-4 text-muted">
      Price up to
      <input
        inputMode="decimal"
        className="min-h-10 border border-ink bg-paper px-2 text-[15px] text-ink"
        value={text}
        onChange={({ target }) => {
          setTyped(target.value);
          onChange(readPrice(target.value));
        }}
      />
    </label>
  );
}

/** Minor units; null where no price above nothing can be read. */
function readPrice(text: string): number | null {
  const most = Number(text.replace(',', '.'));
  return Number.isFinite(most) && most > 0 ? Math.round(most * 100) : null;
}

function Choice({
  label,
  value,
  choices,
  onChange,
}: {
  readonly label: string;
  readonly value: string | null;
  readonly choices: readonly string[];
  readonly onChange: (value: string | null) => void;
}) {
  return (
    <label className="flex flex-col text-[13px] leading-4 text-muted">
      {label}
      <select
        className="min-h-10 border border-ink bg-paper px-2 text-[15px] text-ink"
        value={value ?? ''}
        onChange={({ target }) => onChange(target.value === '' ? null : target.value)}
      >
        <option value="">any</option>
        {choices.map((choice) => (
          <option key={choice}>{choice}</option>
        ))}
      </select>
    </label>
  );
}

function FilterButton({
  pressed,
  onPress,
  children,
}: {
  readonly pressed: boolean;
  readonly onPress: () => void;
  readonly children: React.ReactNode;
}) {
  return (
    <button
      type="button"
      aria-pressed={pressed}
      onClick={onPress}
      className={`flex min-h-12 flex-col items-start justify-start border-b-4 text-left text-[13px] leading-4 ${pressed ? 'border-action text-ink' : 'border-transparent text-action'}`}
    >
      {children}
    </button>
  );
}

/** How many fall out at which check; pressing one shows them. */
function WhyNot({
  matching,
  behind,
  shown,
  onShow,
}: {
  readonly matching: readonly JudgedSpeaker[];
  readonly behind: OpeningRecord['behind'];
  readonly shown: Shown;
  readonly onShow: (shown: Shown) => void;
}) {
  const out = matching.filter(({ best }) => best.verdict !== 'clears');
  const count = (id: Deciding) => out.filter((each) => decidingOf(each) === id).length;
  const reasons = DECIDING.map((id) => ({ id, count: count(id) })).filter((each) => each.count > 0);
  if (reasons.length === 0) return null;
  const isShown = (id: Deciding) => shown.kind === 'check' && shown.check === id;
  return (
    <details className="border-y border-hairline">
      <summary className="min-h-10 py-2 font-semibold text-action">{whyNotWords(out.length)}</summary>
      <ul className="pb-2">
        {reasons
          .sort((a, b) => b.count - a.count)
          .map(({ id, count: fallen }) => (
            <li key={id}>
              <button
                type="button"
                aria-pressed={isShown(id)}
                onClick={() => onShow(isShown(id) ? { kind: 'all' } : { kind: 'check', check: id })}
                className={`grid min-h-10 w-full grid-cols-[3rem_1fr_72px] items-center gap-2 text-left ${isShown(id) ? 'font-bold' : ''}`}
              >
                <span className="text-right">{fallen.toLocaleString('en')}</span>
                <span>{whyWords(id, behind)}</span>
                <span
                  aria-hidden="true"
                  className="h-2 bg-muted"
                  style={{ width: `${(fallen / out.length) * 100}%` }}
                />
              </button>
            </li>
          ))}
      </ul>
    </details>
  );
}

function whyWords(id: Deciding, behind: OpeningRecord['behind']): string {
  return isChannelCheck(id) ? CHANNEL_FALL_OUT[id] : fallOutWords(id, behind);
}

function isChannelCheck(id: Deciding): id is keyof typeof CHANNEL_FALL_OUT {
  return id in CHANNEL_FALL_OUT;
}

const CHANNEL_FALL_OUT = {
  'channel load': 'load of its channel',
  'channel band': 'what its channel carries',
  'channel power': 'power of its channel',
  'channel wire': 'wire of its channel',
} as const;

function whyNotWords(others: number): string {
  return `Why not the other ${others.toLocaleString('en')}?`;
}

function CandidateRow({
  candidate,
  parts,
  behind,
  unit,
  currency,
  selectedId,
  comparedId,
  onSelect,
}: CandidateListProps & { readonly candidate: JudgedSpeaker }) {
  const { speakerId, best, channel } = candidate;
  const speaker = parts.get(speakerId);
  if (speaker?.kind !== 'speaker') return null;
  const selected = speakerId === selectedId;
  const { marginMm, expandedMm } = best;
  return (
    <button
      type="button"
      aria-pressed={selected}
      onClick={() => onSelect(candidate)}
      className={`grid w-full grid-cols-[16px_1fr_auto] gap-x-2 px-1 py-1.5 text-left ${selected ? 'border-l-4 border-action bg-paper' : 'border-l-4 border-transparent'}`}
    >
      <span className="pt-0.5">
        <VerdictMark verdict={best.verdict} />
      </span>
      <span className="font-semibold">
        {partName(speaker)}
        {speakerId === comparedId && <span className="font-normal text-muted"> (laid over)</span>}
      </span>
      <span className="text-right">{printCost(best.costMinor, currency)}</span>
      <span className="col-start-2 text-[13px] leading-4 text-muted">
        {speaker.nominalSize} {speaker.speakerKind}
        {speaker.isDiscontinued && <strong className="text-measure">, no longer made</strong>}
        <br />
        {stackWords(best.layerIds, parts)}
      </span>
      <span className="flex flex-col items-end justify-end">
        {channel ? (
          <span className={`text-[13px] leading-4 ${verdictColour(best.verdict)}`}>
            Channel: {CHANNEL_CHECK_WORDS[channel].toLowerCase()}
          </span>
        ) : (
          <>
            <MarginRail margin={marginMm} expanded={expandedMm} verdict={best.verdict} />
            <span className={`text-[13px] leading-4 ${verdictColour(best.verdict)}`}>
              {checkLabel(best.decidedBy, behind)}
              {missWords(best, unit)}
            </span>
          </>
        )}
      </span>
    </button>
  );
}

/** How far it is from its limit; where the screws are the worst of it, what could put them right. */
function missWords({ plateMm, marginMm, expandedMm }: JudgedSpeaker['best'], unit: LengthUnit): string {
  if (plateMm !== null) return plateMm >= 0 ? ': a plate to cut' : ', and no plate helps';
  if (marginMm === null || expandedMm === null) return '';
  return ` ${printMargin(marginMm, unit)} ± ${printPlusMinus(expandedMm, unit)} ${unit}`;
}

/** The layers of a stack from the metal to the speaker. */
export function stackWords(layerIds: readonly string[], parts: ListedById): string {
  return layerIds.length > 0 ? layerIds.map((id) => layerWords(id, parts)).join(' + ') : 'straight onto the metal';
}

/** A bracket with its state; a ring cut from sheet has its thickness in its id. */
function layerWords(id: string, parts: ListedById): string {
  const ringMm = ringThicknessMm(id);
  if (ringMm !== null) return `ring cut from ${ringMm} mm sheet`;
  const part = parts.get(orderedId(id));
  const state = snapOffNamed(id, part);
  return part && state !== null ? `${part.name}, ${state}` : (part?.name ?? id);
}
