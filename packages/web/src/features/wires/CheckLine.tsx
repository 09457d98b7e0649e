/** One check of a channel or a crossover: its word, its margin on a rail where it is a number, and what settles it. */
import { VERDICT_WORDS } from '../../text/words';
import { MarginRail } from '../../ui/MarginRail';
import { Said } from '../../ui/Said';
import { VerdictMark, verdictColour } from '../../ui/VerdictMark';

type CheckLineProps = {
  readonly what: string;
  readonly verdict: 'clears' | 'measure' | 'hits' | 'hold';
  /** Of one unit; null where it is no number. */
  readonly margin: { readonly value: number; readonly expanded: number; readonly words: string } | null;
  /** So wide is the rail on each side of its zero, in the margin's unit; a length has that of every length. */
  readonly range?: number;
  readonly sentence: string;
  readonly settledBy: string | null;
};

export function CheckLine({ what, verdict, margin, range, sentence, settledBy }: CheckLineProps) {
  return (
    <li className="grid grid-cols-[20px_1fr] items-start gap-x-3 py-1 sm:grid-cols-[20px_190px_1fr] xl:grid-cols-[20px_1fr]">
      <VerdictMark verdict={verdict} hidden />
      <span className="flex flex-col">
        <span className={`font-semibold ${verdictColour(verdict)}`}>
          {what}: {VERDICT_WORDS[verdict]}
        </span>
        {margin && (
          <span className="flex items-center gap-2 tabular-nums">
            <MarginRail
              margin={margin.value}
              expanded={margin.expanded}
              verdict={verdict}
              {...(range === undefined ? {} : { range })}
            />
            <span className="whitespace-nowrap text-[13px]">{margin.words}</span>
          </span>
        )}
      </span>
      <span className="col-start-2 sm:col-start-3 xl:col-start-2">
        <Said sentence={sentence} next={settledBy} />
      </span>
    </li>
  );
}
