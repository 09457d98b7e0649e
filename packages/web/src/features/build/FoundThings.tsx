/** What was found in the bay and the plan did not know: open until somebody has dealt with it, and says how. */
import type { Job } from '@low-quarry/core/contracts/jobs';
import { foundWords } from '@low-quarry/core/model';
import { useState } from 'react';
import { useMay, useMe } from '../../api/me';
import { Button } from '../../ui/Button';
import { StepWords } from './StepWords';
import type { BayAtHand } from './useBay';

export function FoundThings({ job, atHand: { bay, change } }: { readonly job: Job; readonly atHand: BayAtHand }) {
  const { name } = useMe();
  const maySettle = useMay('facts');
  const [open, setOpen] = useState<string | null>(null);
  if (bay.found.length === 0) return null;
  return (
    <section aria-label={`Found in the bay, ${job.number}`} className="flex flex-col gap-2">
      <h2>Found in the bay</h2>
      <ul className="border-t border-ink">
        {bay.found.map((thing) => (
          <li key={thing.key} className="flex flex-col gap-2 border-b border-hairline py-2">
            <span className={thing.settled ? '' : 'font-semibold text-measure'}>
              {thing.settled ? '✓' : '◇'} {foundWords(thing)}
            </span>
            {!thing.settled && maySettle && open !== thing.key && (
              <Button className="self-start" onClick={() => setOpen(thing.key)}>
                It is dealt with
              </Button>
            )}
            {open === thing.key && (
              <StepWords
                label="What was done about it"
                hint="Such as: two clips ordered; the ring is 4 mm thicker."
                most={200}
                button="It is dealt with"
                whenEmpty="Type what was done about it."
                onKeep={(how) => {
                  const settled = { by: name, at: new Date().toISOString(), how };
                  change((before) => ({
                    ...before,
                    found: before.found.map((each) => (each.key === thing.key ? { ...each, settled } : each)),
                  }));
                  setOpen(null);
                }}
              />
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
