/** What does a supplier's list change, and what of it can nobody use? Nothing is changed until it is pressed. */

import { type ListImported, MOST_LIST_MB } from '@low-quarry/core/contracts/supplierLists';
import { useState } from 'react';
import { isoDay } from '../../text/isoDay';
import { Button } from '../../ui/Button';
import { Field, INPUT } from '../../ui/Field';
import { FormError } from '../../ui/FormError';
import { fieldProblems } from '../../ui/problemFields';
import { Shell } from '../../ui/Shell';
import { TextField } from '../../ui/TextField';
import { Tick } from '../../ui/Tick';
import { ListAtWork } from './ListAtWork';
import { ListFindings } from './ListFindings';
import { ListTable } from './ListTable';
import { changeWords, restWords } from './listWords';
import { MyLists } from './MyLists';
import { type AskedList, toBase64, useBringList, useTryList } from './useImportList';

type Picked = { readonly name: string; readonly base64: string };
/** What somebody says of the list besides what it says itself. */
type Said = Pick<AskedList, 'of' | 'columns' | 'units' | 'withDoubts' | 'withDoubted'>;
const NOTHING_SAID: Said = { of: null, columns: null, units: null, withDoubts: false, withDoubted: false };

export function SupplierListScreen() {
  const [supplier, setSupplier] = useState('');
  const [picked, setPicked] = useState<Picked | null>(null);
  const [unread, setUnread] = useState<string | null>(null);
  const [said, setSaid] = useState(NOTHING_SAID);
  const tried = useTryList();
  const brought = useBringList();
  const toList = (file: Picked, given: Said) => ({
    ...{ ...file, ...given, supplier: supplier.trim() },
    day: isoDay(new Date()),
  });
  const ask = (file: Picked, given: Said) => {
    brought.reset();
    setSaid(given);
    const list = toList(file, given);
    if (list.supplier !== '') tried.mutate(list);
  };
  // A field that is left as it was asks for nothing: the press that left it would find its button busy.
  const leaveSupplier = () => {
    if (picked && tried.variables?.supplier !== supplier.trim()) ask(picked, said);
  };
  const pick = async (file: File | undefined) => {
    setUnread(null);
    setPicked(null);
    setSaid(NOTHING_SAID);
    tried.reset();
    brought.reset();
    if (!file) return;
    if (file.size > MOST_LIST_MB * 1024 * 1024) {
      setUnread(`${file.name} has more than ${MOST_LIST_MB} MB. Part the list into several files.`);
      return;
    }
    const next = { name: file.name.slice(0, 120), base64: await toBase64(file) };
    setPicked(next);
    ask(next, NOTHING_SAID);
  };
  const answer = tried.data;
  return (
    <Shell
      title="A supplier’s list"
      crumbs={[
        { to: '/', label: 'Jobs' },
        { to: '/parts', label: 'Parts' },
        { to: '/supplier-list', label: 'A supplier’s list' },
      ]}
    >
      <p className="max-w-2xl">
        Prices, packs, days and stock of one supplier, what he says of his parts, and of the cars they fit: a
        spreadsheet (XLSX, ODS) or text (CSV, TSV). What is good comes into the library; what is wrong or doubtful stays
        out and says why. All of it is one line of the history, and can be taken back as one.
      </p>
      <div className="grid max-w-3xl gap-3 sm:grid-cols-2">
        <TextField
          label="Supplier"
          value={supplier}
          autoComplete="off"
          error={picked && supplier.trim() === '' ? 'Say whose list it is.' : null}
          onType={setSupplier}
          onBlur={leaveSupplier}
        />
        <Field
          label="List: XLSX, ODS or CSV"
          error={unread ?? fieldProblems(tried.error).find(({ path }) => path === 'base64')?.message}
        >
          {(ids) => (
            <input
              {...ids}
              type="file"
              accept=".csv,.tsv,.txt,.xlsx,.ods,text/csv,text/plain"
              onChange={({ target }) => void pick(target.files?.[0])}
              className={`${INPUT} py-2`}
            />
          )}
        </Field>
      </div>
      <div role="status" className="flex flex-col gap-4">
        {tried.isPending && <ListAtWork what="Looking through it" onStop={tried.stop} />}
        {brought.isPending && <p className="text-muted">Handing it over …</p>}
        {tried.error && fieldProblems(tried.error).length === 0 && <FormError>{tried.error.message}</FormError>}
        {picked && answer && !brought.data && (
          <Tried
            answer={answer}
            supplier={supplier.trim()}
            name={picked.name}
            said={said}
            isBusy={brought.isPending || tried.isPending}
            onSay={(changes) => ask(picked, { ...said, ...changes })}
            onBring={() => brought.mutate(toList(picked, said))}
          />
        )}
        {brought.error && <FormError>{brought.error.message}</FormError>}
        <MyLists justAsked={brought.data?.listId ?? null} />
      </div>
    </Shell>
  );
}

type TriedProps = {
  readonly answer: ListImported;
  readonly supplier: string;
  readonly name: string;
  readonly said: Said;
  readonly isBusy: boolean;
  readonly onSay: (changes: Partial<Said>) => void;
  readonly onBring: () => void;
};

function Tried({ answer, supplier, name, said, isBusy, onSay, onBring }: TriedProps) {
  const changes = changeWords(answer);
  return (
    <>
      <ListTable
        answer={answer}
        onOf={(of) => onSay({ of, columns: null, units: null })}
        onColumns={(columns) => onSay({ of: answer.of, columns })}
        onUnits={(units) => onSay({ of: answer.of, units })}
      />
      <section aria-label="What it changes" className="flex flex-col gap-2">
        <h2>What it changes</h2>
        <p className="font-semibold">{changes ? `It has ${changes}.` : 'It changes nothing.'}</p>
        {restWords(supplier, answer).map((sentence) => (
          <p key={sentence}>{sentence}</p>
        ))}
        {answer.doubts > 0 && (
          <Tick
            label="The doubtful prices were looked at, and are right"
            isOn={said.withDoubts}
            onChange={(withDoubts) => onSay({ withDoubts })}
          />
        )}
        {answer.doubted > 0 && (
          <Tick
            label={`Bring in what has a doubted figure too (${answer.doubted.toLocaleString('en')}), on hold until somebody settles it`}
            isOn={said.withDoubted}
            onChange={(withDoubted) => onSay({ withDoubted })}
          />
        )}
        {changes && (
          <Button kind="main" className="self-start" disabled={isBusy} onClick={onBring}>
            Bring in {changes}
          </Button>
        )}
      </section>
      <ListFindings answer={answer} name={name} />
    </>
  );
}
