/** A parts pack: picked, tried out, brought in. */
import type { PartsImported } from '@low-quarry/core/contracts/importParts';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { Field, INPUT } from '../../ui/Field';
import { ProblemList } from '../../ui/ProblemList';
import { fieldProblems, problemSentence } from '../../ui/problemFields';
import { packWords } from './importWords';
import { useImportParts } from './useImportParts';
import { JudgedOtherwise } from './WhereChosen';

type Picked = { readonly name: string; readonly pack: unknown };

/** What it changes is said first, and nothing is changed until it is pressed. */
export function ImportForm({ onDone }: { readonly onDone: () => void }) {
  const [picked, setPicked] = useState<Picked | null>(null);
  const [unread, setUnread] = useState<string | null>(null);
  const tried = useImportParts();
  const brought = useImportParts();
  const pick = async (file: File | undefined) => {
    tried.reset();
    brought.reset();
    setUnread(null);
    setPicked(null);
    if (!file) return;
    const pack = readJson(await file.text());
    if (pack === undefined) {
      setUnread(`${file.name} is not JSON. Pick a parts pack in the open format.`);
      return;
    }
    const next = { name: file.name.slice(0, 120), pack };
    setPicked(next);
    tried.mutate({ ...next, tryOut: true });
  };
  const error = brought.error ?? tried.error;
  return (
    <div className="flex flex-col gap-3">
      <p className="text-muted">
        New parts come in, parts with a known id are replaced where anything differs, and nothing is taken away. All of
        it is one line of the history, and can be taken back as one.
      </p>
      <Field label="Parts pack, JSON" error={unread}>
        {(ids) => (
          <input
            {...ids}
            type="file"
            accept="application/json,.json"
            onChange={({ target }) => void pick(target.files?.[0])}
            className={`${INPUT} py-2`}
          />
        )}
      </Field>
      <div role="status" className="flex flex-col gap-2">
        {tried.isPending && <p className="text-muted">Looking through it …</p>}
        {error && <Refused error={error} />}
        {brought.data ? (
          <>
            <p className="font-semibold">{packWords(brought.data).done}</p>
            <JudgedOtherwise />
            <Button className="self-start" onClick={onDone}>
              Close
            </Button>
          </>
        ) : (
          picked &&
          tried.data &&
          !error && (
            <Tried
              answer={tried.data}
              isBusy={brought.isPending}
              onBring={() => brought.mutate({ ...picked, tryOut: false })}
            />
          )
        )}
      </div>
    </div>
  );
}

function Tried({
  answer,
  isBusy,
  onBring,
}: {
  readonly answer: PartsImported;
  readonly isBusy: boolean;
  readonly onBring: () => void;
}) {
  const { would, press } = packWords(answer);
  return (
    <>
      <p>{would}</p>
      {press && (
        <Button kind="main" className="self-start" disabled={isBusy} onClick={onBring}>
          {isBusy ? 'Bringing in …' : press}
        </Button>
      )}
    </>
  );
}

/** What is wrong, each by its place in the file. */
function Refused({ error }: { readonly error: Error }) {
  const problems = fieldProblems(error).map(({ path, message }) => ({ path: path.replace(/^pack\./, ''), message }));
  return (
    <div className="border-l-4 border-hits bg-paper px-3 py-2 text-hits">
      <p className="font-semibold">{problemSentence(error) ?? 'Nothing was changed. What is wrong in the file:'}</p>
      <ProblemList problems={problems} />
    </div>
  );
}

function readJson(text: string): unknown {
  try {
    return JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch {
    return undefined;
  }
}
