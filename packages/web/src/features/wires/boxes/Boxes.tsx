/** What else is put into the car besides crossovers: whether it goes into its space, and what leads there. */
import type { Job } from '@low-quarry/core/contracts/jobs';
import { capital } from '@low-quarry/core/firstLetter';
import { stowedWords } from '@low-quarry/core/model';
import { type StowedSheet, stowedSheets } from '@low-quarry/core/stations';
import { useState } from 'react';
import { useMe } from '../../../api/me';
import { draftPrefix, readDraftText } from '../../../device/drafts';
import { Button } from '../../../ui/Button';
import { late } from '../../../ui/late';
import { Loading } from '../../../ui/states';
import { CheckLine } from '../CheckLine';
import { mmMarginWords } from '../crossovers/crossoversView';
import { keptName } from '../keptName';

const BoxesForm = late(
  () => import('./BoxesForm').then((code) => code.BoxesForm),
  () => <Loading what="the form" />,
);

export function Boxes({ job, confidence }: { readonly job: Job; readonly confidence: number }) {
  const me = useMe();
  // What was typed and not saved is shown as it was left.
  const [isOpen, setIsOpen] = useState(
    () => readDraftText(`${draftPrefix(me.id)}${keptName('boxes', job.id)}`) !== null,
  );
  const sheets = stowedSheets(job, confidence);
  return (
    <section aria-label="Boxes" className="flex flex-col gap-3">
      <h2 className="border-b border-ink text-[18px] font-bold">Boxes</h2>
      {sheets.length === 0 && <p>No amplifier, bass box or other box is noted.</p>}
      <ul className="flex flex-col">
        {sheets.map((sheet) => (
          <Box key={sheet.record.name} sheet={sheet} />
        ))}
      </ul>
      {isOpen ? (
        <BoxesForm job={job} onDone={() => setIsOpen(false)} />
      ) : (
        <Button className="self-start" onClick={() => setIsOpen(true)}>
          {sheets.length === 0 ? 'Note a box' : 'Change the boxes'}
        </Button>
      )}
    </section>
  );
}

function Box({ sheet: { record, place, wires } }: { readonly sheet: StowedSheet }) {
  const { verdict, margin, sentence, settledBy } = place;
  return (
    <li className="grid gap-x-8 gap-y-1 border-b border-hairline py-3 xl:grid-cols-[720px_1fr] xl:items-start">
      <div>
        <h3 className="text-[16px] font-bold">{record.name}</h3>
        <p>{capital(stowedWords(record))}.</p>
        <p className="text-muted">{wires}</p>
      </div>
      <ul aria-label={`Place of ${record.name}`}>
        <CheckLine
          verdict={verdict}
          what="Place"
          margin={margin && { value: margin.mm, expanded: margin.expandedMm, words: mmMarginWords(margin) }}
          sentence={sentence}
          settledBy={settledBy}
        />
      </ul>
    </li>
  );
}
