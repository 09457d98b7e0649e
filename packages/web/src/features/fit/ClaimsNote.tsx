/** What others say of this speaker in this variant, beside what the geometry says: a claim is evidence, and no verdict. */
import { CLAIM_WORDS, claimFinding, isClaimAbout, type ListedClaim } from '@low-quarry/core/catalogue';
import type { Verdict } from '@low-quarry/core/fit';
import { shopDay } from '../../text/shopDays';

type ClaimsNoteProps = {
  readonly claims: readonly ListedClaim[];
  readonly at: { readonly vehicleId: string; readonly place: string };
  readonly verdict: Verdict;
};

const FINDING_WORDS = {
  agrees: 'The tape agrees.',
  against: 'The tape says otherwise: it counts, and one of them has to be looked at again.',
  open: 'Nobody has measured what would tell.',
  notHere: 'Nobody said in which opening: not in this one.',
} as const;

export function ClaimsNote({ claims, at, verdict }: ClaimsNoteProps) {
  const about = claims.filter((claim) => isClaimAbout(claim, at));
  if (about.length === 0) return null;
  return (
    <ul aria-label="Claims">
      {about.map(({ says, by, on, place }) => {
        const finding = findingHere(says, place, verdict);
        return (
          <li
            key={`${by} ${on} ${says} ${place}`}
            className={finding === 'against' ? 'font-semibold text-hits' : 'text-muted'}
          >
            {by} says {CLAIM_WORDS[says]} ({shopDay(on)}). {FINDING_WORDS[finding]}
          </li>
        );
      })}
    </ul>
  );
}

/** One that names no place is not contradicted by the one opening that is looked at. */
function findingHere(says: ListedClaim['says'], place: string | null, verdict: Verdict): keyof typeof FINDING_WORDS {
  const finding = claimFinding(says, verdict);
  return finding === 'against' && place === null && says === 'fits' ? 'notHere' : finding;
}
