/** What is at this place, what it is called, and the size it was made for. */
import { PRESENCES } from '@low-quarry/core/model';
import { PRESENCE_WORDS } from '../../text/words';
import { Choice } from '../../ui/Choice';
import { TextField } from '../../ui/TextField';
import type { OpeningFacts } from './openingDraft';

type AtPlaceFieldsProps = {
  readonly facts: OpeningFacts;
  readonly errorAt: (path: string) => string | null;
  readonly onChange: (change: Partial<OpeningFacts>) => void;
};

export function AtPlaceFields({ facts, errorAt, onChange }: AtPlaceFieldsProps) {
  return (
    <div className="grid gap-3 sm:grid-cols-2">
      <div className="sm:col-span-2">
        <Choice
          label="What is there"
          value={facts.presence}
          options={PRESENCES.map((each) => [each, PRESENCE_WORDS[each]])}
          onChange={(presence) => onChange({ presence })}
        />
      </div>
      <TextField
        label="Called"
        hint="What tells it from another one at this place."
        maxLength={40}
        value={facts.name}
        error={errorAt('record.name')}
        onType={(name) => onChange({ name })}
      />
      <TextField
        label="Made for size"
        maxLength={20}
        value={facts.nominalSize}
        error={errorAt('record.nominalSize')}
        onType={(nominalSize) => onChange({ nominalSize })}
      />
    </div>
  );
}
