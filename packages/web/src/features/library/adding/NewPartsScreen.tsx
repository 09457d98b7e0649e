/** Which parts does the library not have yet? Typed by hand: one, or several that share their figures. */
import { PART_KINDS, type PartKind, type PartRecord, partKindWord, partName } from '@low-quarry/core/catalogue';
import { TYPED_BY_HAND } from '@low-quarry/core/contracts/typedByHand';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useWatch } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { useMay } from '../../../api/me';
import { catalogueQuery } from '../../../catalogue/catalogueQueries';
import { useAddress, withParams } from '../../../ui/address';
import { BroughtBack } from '../../../ui/BroughtBack';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { FormError } from '../../../ui/FormError';
import { FormArea } from '../../../ui/form/FormArea';
import { FormText } from '../../../ui/form/FormText';
import { useCheckedForm } from '../../../ui/form/useCheckedForm';
import { useTypedKept } from '../../../ui/form/useTypedKept';
import { fieldProblems, problemSentence } from '../../../ui/problemFields';
import { Shell } from '../../../ui/Shell';
import { Answered, Empty } from '../../../ui/states';
import { toast } from '../../../ui/toast';
import { useKept } from '../../../ui/useKept';
import { Figures } from '../figures/Figures';
import { type FiguresTyped, readFiguresSchema } from '../figures/typedFigures';
import { partQuery } from '../libraryQueries';
import { useImportParts } from '../useImportParts';
import { beginParts, newPartsTypedSchema, readPartsSchema } from './typedParts';

const KINDS = PART_KINDS.map((kind) => [kind, partKindWord(kind)] as const);
const TITLE = 'New parts by hand';

export function NewPartsScreen() {
  const mayAdd = useMay('parts');
  const [search, changeAddress] = useAddress();
  const likeId = search.get('like');
  const asked = search.get('kind');
  const kind = PART_KINDS.find((each) => each === asked) ?? 'speaker';
  return (
    <Shell
      title={TITLE}
      crumbs={[
        { to: '/', label: 'Jobs' },
        { to: '/parts', label: 'Parts' },
        { to: '/new-parts', label: TITLE },
      ]}
    >
      {!mayAdd && <Empty>Your roles do not bring parts in. Ask somebody whose do.</Empty>}
      {mayAdd && likeId && <Like id={likeId} />}
      {mayAdd && !likeId && (
        <>
          <div className="max-w-md">
            <Choice
              label="Kind"
              value={kind}
              options={KINDS}
              onChange={(next) => changeAddress((before) => withParams(before, { kind: next }))}
            />
          </div>
          <NewParts key={kind} kind={kind} like={null} />
        </>
      )}
    </Shell>
  );
}

function Like({ id }: { readonly id: string }) {
  const part = useQuery(partQuery(id));
  return (
    <Answered query={part} what="the part that they are like">
      {({ record }) => (
        <>
          <p className="max-w-2xl">
            {partKindWord(record.kind)}, with everything as {partName(record)} has it: change what differs.
          </p>
          <NewParts key={id} kind={record.kind} like={record} />
        </>
      )}
    </Answered>
  );
}

type NewPartsProps = { readonly kind: PartKind; readonly like: PartRecord | null };

function NewParts({ kind, like }: NewPartsProps) {
  const catalogue = useQuery(catalogueQuery);
  return (
    <Answered query={catalogue} what="the names that are taken">
      {({ listed }) => <Form kind={kind} like={like} listed={listed} />}
    </Answered>
  );
}

type FormProps = NewPartsProps & { readonly listed: Parameters<typeof readPartsSchema>[2] };

function Form({ kind, like, listed }: FormProps) {
  const navigate = useNavigate();
  const begin = () => beginParts(kind, like);
  const { state, keep, settle, broughtBack } = useKept<FiguresTyped>(
    `newParts.${like?.id ?? kind}`,
    newPartsTypedSchema,
    begin,
  );
  const brought = useImportParts();
  const schema = useMemo(() => readPartsSchema(kind, like, listed), [kind, like, listed]);
  const figuresSchema = useMemo(() => readFiguresSchema(kind), [kind]);
  const form = useCheckedForm(schema, state, NO_PROBLEMS);
  useTypedKept(form, keep);
  const typed = useWatch({ control: form.control }) as FiguresTyped;
  const reset = (next: FiguresTyped) => {
    settle(next);
    form.reset(next);
  };
  const send = (then: (parts: readonly PartRecord[]) => void) =>
    form.handleSubmit(({ parts }) => {
      const pack = { format: 'parts', version: 2, parts, connectors: [] };
      brought.mutate(
        { name: TYPED_BY_HAND, pack, tryOut: false },
        {
          onSuccess: () => {
            toast(parts.length === 1 ? 'It is in the library.' : `${parts.length} parts are in the library.`, {
              canUndo: true,
            });
            then(parts);
          },
        },
      );
    });
  const go = (parts: readonly PartRecord[]) => {
    settle(begin());
    const [first] = parts;
    if (first) void navigate(parts.length === 1 ? `/parts/${first.id}` : `/parts?find=${first.maker}&kind=${kind}`);
  };
  return (
    <form onSubmit={send(go)} className="flex flex-col gap-3" noValidate aria-label={TITLE}>
      <BroughtBack show={broughtBack} onDrop={() => reset(begin())} />
      <div className="grid gap-x-3 gap-y-1 sm:grid-cols-[1fr_2fr]">
        <FormText control={form.control} name="maker" label="Maker" autoComplete="off" />
        <FormArea
          control={form.control}
          name="names"
          label="What its maker calls it"
          hint="A line for each part that has these figures; its maker’s number behind a semicolon."
          rows={2}
        />
      </div>
      <Figures kind={kind} control={form.control} typed={typed} readSchema={figuresSchema} />
      <FormError>{problemSentence(brought.error) ?? refusedWords(brought.error)}</FormError>
      <div className="flex flex-wrap gap-3">
        <Button kind="main" type="submit" disabled={brought.isPending}>
          {brought.isPending ? 'Bringing in …' : 'Put it in the library'}
        </Button>
        <Button disabled={brought.isPending} onClick={send(() => reset({ ...typed, names: '' }))}>
          Put it in, and type another like it
        </Button>
      </div>
    </form>
  );
}

/** What the shop says comes by the place in the pack, which nobody sees: it is said as a whole. */
const NO_PROBLEMS = [] as const;

function refusedWords(error: Error | null): string | null {
  const problems = fieldProblems(error).map(({ message }) => message);
  return problems.length === 0 ? null : `The shop did not take it: ${[...new Set(problems)].join(' ')}`;
}
