/** The whole catalogue ranked for this opening: who fits, and at which check the others fall out. */
import { CHECK_IDS, type CheckId } from '@low-quarry/core/fit/Check';
import type { RankedSpeaker, Ranking } from '@low-quarry/core/fit/rankCandidates';
import type { OpeningRecord } from '@low-quarry/core/model/opening';
import { type PartRecord, partName } from '@low-quarry/core/model/parts';
import type { LengthUnit } from '@low-quarry/core/units/parseLength';
import { printMargin, printPlusMinus } from '@low-quarry/core/units/printLength';
import { printMoney } from '../../text/money';
import { checkLabel, FALL_OUT_WORDS, VERDICT_WORDS, VERDICTS } from '../../text/words';
import { MarginRail } from '../../ui/MarginRail';
import { VerdictMark, verdictColour } from '../../ui/VerdictMark';
import { type CandidateFilter, passesFilter } from './candidateFilter';

type CandidateListProps = {
  readonly ranking: Ranking;
  readonly parts: ReadonlyMap<string, PartRecord>;
  readonly behind: OpeningRecord['behind'];
  readonly unit: LengthUnit;
  readonly currency: string;
  readonly selectedId: string | null;
  readonly filter: CandidateFilter;
  readonly onFilter: (filter: CandidateFilter) => void;
  readonly onSelect: (candidate: RankedSpeaker) => void;
};

export function CandidateList(props: CandidateListProps) {
  const { ranking, filter, onFilter } = props;
  const shown = ranking.speakers.filter((candidate) => passesFilter(candidate, filter));
  return (
    <section aria-label="Candidates" className="flex min-h-0 flex-col gap-2">
      <h2>
        Candidates{' '}
        <span className="font-normal text-muted">
          {ranking.candidatesJudged.toLocaleString('en')} combinations judged
        </span>
      </h2>
      <fieldset className="grid grid-cols-5">
        <legend className="sr-only">Show by verdict</legend>
        <FilterButton pressed={filter.kind === 'all'} onPress={() => onFilter({ kind: 'all' })}>
          <span className="font-bold">{ranking.speakers.length}</span>
          <span>all</span>
        </FilterButton>
        {VERDICTS.map((verdict) => (
          <FilterButton
            key={verdict}
            pressed={filter.kind === 'verdict' && filter.verdict === verdict}
            onPress={() => onFilter({ kind: 'verdict', verdict })}
          >
            <span className="flex items-center gap-1 font-bold">
              <VerdictMark verdict={verdict} hidden size={12} />
              {ranking.speakers.filter(({ best }) => best.verdict === verdict).length}
            </span>
            <span>{VERDICT_WORDS[verdict].toLowerCase()}</span>
          </FilterButton>
        ))}
      </fieldset>
      <WhyNot {...props} />
      {shown.length === 0 ? (
        <p className="border-y border-hairline py-4 text-muted">
          No speaker is in this group. “All” shows the whole catalogue.
        </p>
      ) : (
        <ul
          className="max-h-[70dvh] min-h-0 flex-1 overflow-y-auto border-t border-ink xl:max-h-[calc(100dvh-330px)]"
          aria-label="Ranked speakers"
        >
          {shown.map((candidate) => (
            <CandidateRow key={candidate.speakerId} candidate={candidate} {...props} />
          ))}
        </ul>
      )}
    </section>
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
function WhyNot({ ranking, behind, filter, onFilter }: CandidateListProps) {
  const reasons = CHECK_IDS.filter((id) => ranking.fallOut[id] > 0);
  if (reasons.length === 0) return null;
  const open = ranking.speakers.filter(({ best }) => best.verdict !== 'clears').length;
  return (
    <details className="border-y border-hairline">
      <summary className="min-h-10 py-2 font-semibold text-action">Why not the other {open}?</summary>
      <ul className="pb-2">
        {[...reasons]
          .sort((a, b) => ranking.fallOut[b] - ranking.fallOut[a])
          .map((id) => (
            <li key={id}>
              <button
                type="button"
                aria-pressed={isFilteredBy(filter, id)}
                onClick={() => onFilter(isFilteredBy(filter, id) ? { kind: 'all' } : { kind: 'check', check: id })}
                className={`grid min-h-10 w-full grid-cols-[2rem_1fr_72px] items-center gap-2 text-left ${isFilteredBy(filter, id) ? 'font-bold' : ''}`}
              >
                <span className="text-right">{ranking.fallOut[id]}</span>
                <span>{id === 'depth' && behind === 'glass' ? 'at the glass' : FALL_OUT_WORDS[id]}</span>
                <span
                  aria-hidden="true"
                  className="h-2 bg-muted"
                  style={{ width: `${(ranking.fallOut[id] / open) * 100}%` }}
                />
              </button>
            </li>
          ))}
      </ul>
    </details>
  );
}

function isFilteredBy(filter: CandidateFilter, id: CheckId): boolean {
  return filter.kind === 'check' && filter.check === id;
}

function CandidateRow({
  candidate,
  parts,
  behind,
  unit,
  currency,
  selectedId,
  onSelect,
}: CandidateListProps & { readonly candidate: RankedSpeaker }) {
  const { speakerId, best } = candidate;
  const speaker = parts.get(speakerId);
  if (speaker?.kind !== 'speaker') return null;
  const selected = speakerId === selectedId;
  const { marginMm, expandedMm } = best.deciding;
  return (
    <li className={`border-b border-hairline ${selected ? 'bg-paper' : ''}`}>
      <button
        type="button"
        aria-pressed={selected}
        onClick={() => onSelect(candidate)}
        className={`grid w-full grid-cols-[16px_1fr_auto] gap-x-2 px-1 py-1.5 text-left ${selected ? 'border-l-4 border-action' : 'border-l-4 border-transparent'}`}
      >
        <span className="pt-0.5">
          <VerdictMark verdict={best.verdict} />
        </span>
        <span className="font-semibold">{partName(speaker)}</span>
        <span className="text-right">{printMoney(best.costMinor, currency)}</span>
        <span className="col-start-2 text-[13px] leading-4 text-muted">
          {speaker.nominalSize} {speaker.speakerKind}
          <br />
          {stackWords(best.bracketId, best.spacerId, parts)}
        </span>
        <span className="flex flex-col items-end justify-end">
          <MarginRail marginMm={marginMm} expandedMm={expandedMm} verdict={best.verdict} />
          <span className={`text-[13px] leading-4 ${verdictColour(best.verdict)}`}>
            {checkLabel(best.decidedBy, behind)}{' '}
            {marginMm !== null &&
              expandedMm !== null &&
              `${printMargin(marginMm, unit)} ± ${printPlusMinus(expandedMm, unit)} ${unit}`}
          </span>
        </span>
      </button>
    </li>
  );
}

export function stackWords(
  bracketId: string | null,
  spacerId: string | null,
  parts: ReadonlyMap<string, PartRecord>,
): string {
  const names = [bracketId, spacerId].flatMap((id) => (id ? [parts.get(id)?.name ?? id] : []));
  return names.length > 0 ? names.join(' + ') : 'straight onto the metal';
}
