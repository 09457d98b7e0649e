/** What does not clear with what comes in the boxes, beside a verdict that takes it as put right: the word must not stand alone. */

import type { Judgement } from '@low-quarry/core/fit';
import { checkPlace } from '@low-quarry/core/fit';
import type { OpeningRecord } from '@low-quarry/core/model';
import { VerdictMark } from './VerdictMark';

export function PutRight({
  judgement: { checks },
  behind,
}: {
  readonly judgement: Judgement;
  readonly behind: OpeningRecord['behind'];
}) {
  const wrong = checks.filter(({ countsFor, verdict }) => countsFor === 'arrival' && verdict === 'hits');
  return wrong.map(({ id, sentence }) => (
    <p key={id} className="mt-1 flex items-start gap-2">
      <VerdictMark verdict="measure" hidden size={16} />
      <span>
        <strong className="text-measure">Put right on arrival {checkPlace(id, behind)}.</strong> {sentence}
      </span>
    </p>
  ));
}
