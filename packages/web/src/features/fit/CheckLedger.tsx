/** Every check of one candidate with its margin rail; each opens to what went into its number. */

import type { Check, CheckId, Judgement } from '@low-quarry/core/fit';
import { checkLabel } from '@low-quarry/core/fit';
import type { OpeningRecord } from '@low-quarry/core/model';
import { type Margin, marginChance } from '@low-quarry/core/uncertainty';
import type { LengthUnit } from '@low-quarry/core/units';
import { printLength, printMargin, printPlusMinus } from '@low-quarry/core/units';
import { termWords } from '../../text/termWords';
import { UNIT_WORDS, UNJUDGED_WORDS, VERDICT_WORDS } from '../../text/words';
import { MarginRail } from '../../ui/MarginRail';
import { OriginMark } from '../../ui/OriginMark';
import { UnjudgedMark, VerdictMark, verdictColour } from '../../ui/VerdictMark';

type CheckLedgerProps = {
  readonly judgement: Judgement;
  readonly behind: OpeningRecord['behind'];
  readonly unit: LengthUnit;
  readonly lit: CheckId | null;
  readonly onLight: (id: CheckId | null) => void;
};

export function CheckLedger({ judgement, behind, unit, lit, onLight }: CheckLedgerProps) {
  return (
    <section aria-label="Checks">
      <h2>
        What decides <span className="font-normal text-muted">margins in {UNIT_WORDS[unit]}</span>
      </h2>
      <ul className="border-t border-ink">
        {judgement.checks.filter(isAsked).map((check) => (
          <li
            key={check.id}
            className={`border-b border-hairline ${lit === check.id || (lit === null && judgement.decidedBy === check.id) ? 'bg-paper' : ''}`}
            onPointerEnter={() => onLight(check.id)}
            onPointerLeave={() => onLight(null)}
            onFocus={() => onLight(check.id)}
            onBlur={() => onLight(null)}
          >
            <Row check={check} label={checkLabel(check.id, behind)} unit={unit} />
          </li>
        ))}
      </ul>
    </section>
  );
}

/** That there is an opening goes without saying. */
function isAsked({ id, verdict }: Check): boolean {
  return id !== 'place' || verdict !== 'clears';
}

function Row({ check, label, unit }: { readonly check: Check; readonly label: string; readonly unit: LengthUnit }) {
  const { verdict, isJudged, margin, sentence } = check;
  return (
    <details>
      <summary className="grid min-h-12 list-none grid-cols-[16px_1fr_auto_auto] items-center gap-x-2 px-1 py-1 [&::-webkit-details-marker]:hidden">
        {isJudged ? <VerdictMark verdict={verdict} /> : <UnjudgedMark />}
        <span className="font-semibold">{label}</span>
        <MarginRail margin={margin?.valueMm ?? null} expanded={margin?.expandedMm ?? null} verdict={verdict} />
        <span className={`min-w-20 text-right font-bold ${isJudged ? verdictColour(verdict) : 'text-muted'}`}>
          {margin ? (
            <>
              {printMargin(margin.valueMm, unit)}{' '}
              <span className="text-[13px] font-normal">± {printPlusMinus(margin.expandedMm, unit)}</span>
            </>
          ) : (
            <span className="text-[13px]">{isJudged ? VERDICT_WORDS[verdict] : UNJUDGED_WORDS}</span>
          )}
        </span>
        <span className="col-span-3 col-start-2 text-[13px] leading-4 text-muted">{sentence}</span>
      </summary>
      {margin && <Budget margin={margin} unit={unit} />}
    </details>
  );
}

/** What went in: each dimension, how sure it is, and how much of it reaches the margin. */
function Budget({ margin, unit }: { readonly margin: Margin; readonly unit: LengthUnit }) {
  const chance = marginChance(margin);
  return (
    <div className="overflow-x-auto px-1 pb-3 pl-7 text-[13px] leading-5">
      <table className="w-full text-left">
        <thead className="text-muted">
          <tr>
            <th className="font-normal">What went in</th>
            <th className="text-right font-normal">value</th>
            <th className="text-right font-normal">u, mm</th>
            <th className="text-right font-normal">counts</th>
          </tr>
        </thead>
        <tbody>
          {margin.terms.map(({ name, dimension, sensitivity }) => (
            <tr key={name}>
              <td className="flex items-center gap-1 pr-2">
                <OriginMark origin={dimension.origin} /> {termWords(name)}
              </td>
              <td className="text-right">{printLength(dimension.valueMm, unit)}</td>
              <td className="pl-2 text-right">{dimension.uncertaintyMm.toFixed(2)}</td>
              <td className="pl-2 text-right">× {sensitivity.toFixed(2)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="text-muted">
        Standard uncertainty {margin.standardUncertaintyMm.toFixed(2)} mm, combined by JCGM 100:2008; clears with a
        chance of {(chance * 100).toFixed(1)} %.
      </p>
    </div>
  );
}
