/** What became of the lists that were brought in, and how far is the one that is? Whoever asked may have gone and come back. */
import type { ListAtWork } from '@low-quarry/core/contracts/supplierLists';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { Answered } from '../../ui/states';
import { JudgedOtherwise } from '../library/WhereChosen';
import { ListFindings } from './ListFindings';
import { changeWords, restWords } from './listWords';
import { isAtWork, useListAnswer, useListsAtWork, useStopList } from './useImportList';

/** @param justAsked the list that was asked for on this screen; null where none was */
export function MyLists({ justAsked }: { readonly justAsked: string | null }) {
  const lists = useListsAtWork();
  if (lists.length === 0) return null;
  return (
    <section aria-label="Your lists" className="flex flex-col gap-2">
      <h2>Your lists</h2>
      <ul className="border-t border-ink">
        {lists.map((list) => (
          <li key={list.id} className="flex flex-col gap-2 border-b border-hairline py-2">
            <OneList list={list} />
            {list.id === justAsked && list.answer && <JudgedOtherwise />}
            {list.answer && list.answer.found + list.answer.unknown > 0 && (
              <Found listId={list.id} name={list.name} isOpen={list.id === justAsked} />
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

type FoundProps = { readonly listId: string; readonly name: string; readonly isOpen: boolean };

/** Asked for when somebody wants to read it. */
function Found({ listId, name, isOpen }: FoundProps) {
  const [opened, setOpened] = useState(isOpen);
  return (
    <details open={isOpen} onToggle={({ currentTarget }) => currentTarget.open && setOpened(true)}>
      <summary className="min-h-10 cursor-pointer text-action">What was found in it</summary>
      {opened && <Findings listId={listId} name={name} />}
    </details>
  );
}

function Findings({ listId, name }: Pick<FoundProps, 'listId' | 'name'>) {
  const answer = useListAnswer(listId);
  return (
    <Answered query={answer} what="what was found in it">
      {(found) => <ListFindings answer={found} name={name} />}
    </Answered>
  );
}

function OneList({ list }: { readonly list: ListAtWork }) {
  const { name, supplier, work, answer } = list;
  const stop = useStopList();
  const what = (
    <strong>
      {name} of {supplier}
    </strong>
  );
  if (answer)
    return (
      <p className="text-clears">
        {what}. In the library: {changeWords(answer) || 'nothing new'}. {restWords(supplier, answer).join(' ')}
      </p>
    );
  if (work && isAtWork(list))
    return (
      <div className="flex flex-wrap items-center gap-4">
        <p className="text-muted">
          {what}.{' '}
          {work.isStopping
            ? 'It is being stopped.'
            : work.state === 'waiting'
              ? 'It waits for its turn. You may go: it goes on.'
              : `Bringing it in … ${work.step && `${work.step}, `}${Math.round(100 * (work.share ?? 0))} %. You may go: it goes on.`}
        </p>
        <Button kind="quiet" disabled={work.isStopping || stop.isPending} onClick={() => stop.mutate(list.id)}>
          Stop it
        </Button>
      </div>
    );
  return (
    <p className="text-hits">
      {what}.{' '}
      {work?.state === 'stopped' ? 'It was stopped' : `It did not come in: ${work?.fault ?? 'nobody knows why'}`}
      {work?.state === 'stopped' ? ': nothing of it is in.' : ' Nothing of it is in.'}
    </p>
  );
}
