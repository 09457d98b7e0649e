/** The crossovers of a car: from the channel in to where each output ends, with what is wrong or open of each. */
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import { crossoverWords, outputWords } from '@low-quarry/core/model';
import { type CrossoverSheet, crossoverSheets } from '@low-quarry/core/stations';
import { useState } from 'react';
import { useMe } from '../../../api/me';
import { draftPrefix, readDraftText } from '../../../device/drafts';
import { Button } from '../../../ui/Button';
import { late } from '../../../ui/late';
import { Loading } from '../../../ui/states';
import { CheckLine } from '../CheckLine';
import { CROSSOVERS_PART } from '../channelWay';
import { keptName } from '../keptName';
import { CrossoverDrawing } from './CrossoverDrawing';
import { CROSSOVER_CHECK_WORDS, mmMarginWords } from './crossoversView';

const CrossoversForm = late(
  () => import('./CrossoversForm').then((code) => code.CrossoversForm),
  () => <Loading what="the form" />,
);

type CrossoversProps = {
  readonly job: Job;
  readonly openings: readonly OpeningWithState[];
  readonly confidence: number;
};

export function Crossovers({ job, openings, confidence }: CrossoversProps) {
  const me = useMe();
  // What was typed and not saved is shown as it was left.
  const [isOpen, setIsOpen] = useState(
    () => readDraftText(`${draftPrefix(me.id)}${keptName('crossovers', job.id)}`) !== null,
  );
  const sheets = crossoverSheets(job, openings, confidence);
  return (
    <section id={CROSSOVERS_PART} tabIndex={-1} aria-label="Crossovers" className="flex flex-col gap-3">
      <h2 className="border-b border-ink text-[18px] font-bold">Crossovers</h2>
      {sheets.length === 0 && <p>None is noted: each speaker hangs on its channel itself.</p>}
      <ul className="flex flex-col">
        {sheets.map((sheet) => (
          <CrossoverItem key={sheet.record.name} sheet={sheet} />
        ))}
      </ul>
      {isOpen ? (
        <CrossoversForm job={job} openings={openings} onDone={() => setIsOpen(false)} />
      ) : (
        <Button className="self-start" onClick={() => setIsOpen(true)}>
          {sheets.length === 0 ? 'Note a crossover' : 'Change the crossovers'}
        </Button>
      )}
    </section>
  );
}

function CrossoverItem({ sheet: { record, checks } }: { readonly sheet: CrossoverSheet }) {
  return (
    <li className="flex flex-col gap-2 border-b border-hairline py-3">
      <h3 className="text-[16px] font-bold">Crossover {record.name}</h3>
      <div className="grid gap-x-8 gap-y-2 xl:grid-cols-[720px_1fr] xl:items-start">
        <CrossoverDrawing crossover={record} label={crossoverWords(record)} />
        <ol className="flex flex-col gap-1 sm:hidden">
          <li>{record.channel === '' ? 'Channel not decided' : `From channel ${record.channel}`}</li>
          {record.outputs.map((output) => (
            <li key={output.to}>{outputWords(output)}</li>
          ))}
        </ol>
        <ul aria-label={`Checks of crossover ${record.name}`} className="flex flex-col">
          {checks.map(({ id, verdict, margin, sentence, settledBy }) => (
            <CheckLine
              key={id}
              verdict={verdict}
              what={CROSSOVER_CHECK_WORDS[id]}
              margin={margin && { value: margin.mm, expanded: margin.expandedMm, words: mmMarginWords(margin) }}
              sentence={sentence}
              settledBy={settledBy}
            />
          ))}
        </ul>
      </div>
    </li>
  );
}
