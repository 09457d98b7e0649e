/** What of the car is quieted: its steps are in the plan, what it takes is below it. */
import type { Job } from '@low-quarry/core/contracts/jobs';
import { capital } from '@low-quarry/core/firstLetter';
import { quietedWords } from '@low-quarry/core/model';
import { useState } from 'react';
import { useMay, useMe } from '../../../api/me';
import { draftPrefix, readDraftText } from '../../../device/drafts';
import { Button } from '../../../ui/Button';
import { late } from '../../../ui/late';
import { Loading } from '../../../ui/states';
import { keptName } from '../../wires/keptName';
import { QuietingPlan } from './QuietingPlan';

const QuietingForm = late(
  () => import('./QuietingForm').then((code) => code.QuietingForm),
  () => <Loading what="the form" />,
);

export function Quieting({ job }: { readonly job: Job }) {
  const me = useMe();
  const mayChange = useMay('choose');
  // What was typed and not saved is shown as it was left.
  const [isOpen, setIsOpen] = useState(
    () => readDraftText(`${draftPrefix(me.id)}${keptName('quieted surfaces', job.id)}`) !== null,
  );
  return (
    <section aria-label="Quieting" className="flex flex-col gap-2">
      <h2 className="border-b border-ink text-[18px] font-bold">Quieting</h2>
      {job.quieted.length === 0 && <p>Nothing of this car is quieted.</p>}
      <ul>
        {job.quieted.map((each) => (
          <li key={each.name} className="border-b border-hairline py-1">
            <strong>{each.name}.</strong> {capital(quietedWords(each))}.
            {each.staysOpen === null && (
              <span className="font-semibold text-measure"> ◇ Look first what has to stay open.</span>
            )}
          </li>
        ))}
      </ul>
      <QuietingPlan quieted={job.quieted} />
      {isOpen ? (
        <QuietingForm job={job} onDone={() => setIsOpen(false)} />
      ) : (
        mayChange && (
          <Button className="self-start" onClick={() => setIsOpen(true)}>
            {job.quieted.length === 0 ? 'Quiet a surface' : 'Change the surfaces'}
          </Button>
        )
      )}
    </section>
  );
}
