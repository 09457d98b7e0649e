/** A crossover of the library, for what its sheet says: what each output lets pass, and how large its box is. */
import { boxWords, filterWords } from '@low-quarry/core/catalogue';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ComboField } from '../../../ui/ComboField';
import { toast } from '../../../ui/toast';
import { useAsked } from '../../../ui/useRested';
import { foundPartsQuery } from '../../library/foundPartsQuery';
import { partQuery } from '../../library/libraryQueries';
import { type CrossoverTyped, OUTPUTS } from './typedCrossovers';

export type FromLibraryProps = {
  /** Given the outputs that it has, by what each lets pass, and its box; what nobody wrote down is left as it is. */
  readonly onTake: (told: Told) => void;
};
export type Told = {
  readonly filters: Readonly<Partial<Record<keyof CrossoverTyped['outputs'], string>>>;
  readonly box: string | null;
};

export function FromLibrary({ onTake }: FromLibraryProps) {
  const client = useQueryClient();
  const [typed, setTyped] = useState('');
  const [taken, setTaken] = useState<{ readonly id: string; readonly label: string } | null>(null);
  const found = useQuery(foundPartsQuery({ kind: 'crossover', find: useAsked(typed) }));
  const options = (found.data?.found ?? []).map(({ id, label, says }) => ({ value: id, label: `${label}: ${says}` }));
  const take = async (id: string) => {
    const { record } = await client.fetchQuery(partQuery(id));
    if (record.kind !== 'crossover') return;
    setTaken({ id, label: `${record.maker} ${record.name}` });
    onTake({
      filters: Object.fromEntries(record.branches.map(({ to, filter }) => [to, filterWords(filter)])),
      box: record.box && boxWords(record.box),
    });
  };
  return (
    <ComboField
      label="As one of the library"
      hint="What its sheet says is taken over, and can be changed."
      value={taken?.id ?? ''}
      chosenLabel={taken?.label}
      options={options}
      isFound
      placeholder="Type a maker or a name"
      nothingWords={
        found.isError ? 'The library is not reachable just now.' : 'No crossover of the library is called so.'
      }
      onTyped={setTyped}
      onChange={(id) =>
        void take(id).catch(() => toast('The library is not reachable just now: type what its sheet says.'))
      }
    />
  );
}

/** The fields of a form that change by it. */
export function takenOver(
  { outputs, box }: CrossoverTyped,
  { filters, box: told }: Told,
): Pick<CrossoverTyped, 'outputs' | 'box'> {
  const next = OUTPUTS.map((to) => {
    const filter = filters[to];
    return [to, filter === undefined ? outputs[to] : { ...outputs[to], filter }] as const;
  });
  return { outputs: Object.fromEntries(next) as CrossoverTyped['outputs'], box: told ?? box };
}
