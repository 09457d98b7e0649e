/** Something of a car that is in no list, by its name. */
import { functionLabel, otherFunction } from '@low-quarry/core/model';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/TextField';

type OneMoreFunctionProps = { readonly known: readonly string[]; readonly onAdd: (key: string) => void };

export function OneMoreFunction({ known, onAdd }: OneMoreFunctionProps) {
  const [name, setName] = useState('');
  const labels = known.map((key) => functionLabel(key).toLowerCase());
  const isThere = labels.includes(name.trim().toLowerCase());
  return (
    <div className="flex flex-wrap items-end gap-3">
      <div className="min-w-56 flex-1">
        <TextField
          label="Something else it has"
          hint="A tow bar’s socket, a step’s lamp: what is not in the list."
          value={name}
          maxLength={40}
          error={isThere ? 'It is in the list already.' : null}
          onType={setName}
          autoComplete="off"
        />
      </div>
      <Button
        disabled={name.trim() === '' || isThere}
        onClick={() => {
          onAdd(otherFunction(name));
          setName('');
        }}
      >
        Add it
      </Button>
    </div>
  );
}
