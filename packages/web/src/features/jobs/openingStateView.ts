/** An opening's state as it is shown in lists: a mark and a sentence. */
import type { OpeningState } from '@low-quarry/core/contracts/jobs';
import type { Verdict } from '@low-quarry/core/fit';
import { workWords } from '@low-quarry/core/fit';
import type { OpeningRecord } from '@low-quarry/core/model';
import { OPENING_DIMENSIONS } from '@low-quarry/core/model';
import type { LengthUnit } from '@low-quarry/core/units';
import { openCheckLine, verdictLine } from '../../text/verdictLine';

export type OpeningStateView = {
  /** null where nothing can be judged yet. */
  readonly verdict: Verdict | null;
  readonly headline: string;
  readonly detail: string;
};

export function openingStateView(
  state: OpeningState,
  { behind }: Pick<OpeningRecord, 'behind'>,
  unit: LengthUnit,
): OpeningStateView {
  switch (state.kind) {
    case 'chosen':
      return {
        verdict: state.summary.verdict,
        headline: verdictLine(state.summary, behind, unit),
        detail: chosenDetail(state, behind, unit),
      };
    case 'cannotJudge':
      return { verdict: 'hold', headline: 'Cannot be judged', detail: `${state.parts}. ${state.sentence}` };
    case 'unreadable':
      return { verdict: 'hold', headline: 'Cannot be read', detail: state.sentence };
    case 'hold':
      return { verdict: 'hold', headline: 'Hold', detail: state.sentence };
    case 'noOpening':
      return { verdict: null, headline: 'No opening', detail: state.sentence };
    case 'toMeasure':
      return {
        verdict: 'measure',
        headline: 'Measure first',
        detail: `Still to take: ${state.missing.map((key) => OPENING_DIMENSIONS[key].label.toLowerCase()).join(', ')}`,
      };
    case 'nothingChosen':
      return {
        verdict: null,
        headline: 'Nothing chosen',
        detail: `${state.known} dimensions known, ${state.takenHere === 0 ? 'none' : state.takenHere} taken here`,
      };
  }
}

type Chosen = Extract<OpeningState, { kind: 'chosen' }>;

/** What the headline does not say of a choice, as sentences. */
function chosenDetail(
  { speakerName, works, heldBack, open, summary, changedSince }: Chosen,
  behind: OpeningRecord['behind'],
  unit: LengthUnit,
): string {
  const besides = open.filter(({ check }) => check !== summary.decidedBy);
  const changed = changedSince.map(({ label }) => label.toLowerCase()).join(', ');
  return [
    `${speakerName}.`,
    works.length > 0 && `By hand: ${works.map((work) => workWords(work, unit)).join(' ')}`,
    heldBack && `Held back: ${heldBack}`,
    besides.length > 0 && `Open besides: ${besides.map((each) => openCheckLine(each, behind, unit)).join(' ')}`,
    changed && `Changed since it was chosen: ${changed}.`,
  ]
    .filter((sentence) => sentence)
    .join(' ');
}
