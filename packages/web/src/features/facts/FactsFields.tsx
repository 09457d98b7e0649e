/** What is known of a car besides what is measured: fact by fact, by where it is asked, each known, known to be nothing, or not looked at. */
import {
  CAR_FACT_KEYS,
  CAR_FACTS,
  type CarFact,
  type CarFactKey,
  type CarFacts,
  carFactWords,
  type FactAskedAt,
  GRADE_LABELS,
  type Grade,
} from '@low-quarry/core/model';
import { useMe } from '../../api/me';
import { Choice } from '../../ui/Choice';
import { TextField } from '../../ui/TextField';

/** Where each is asked, the cheapest first. */
const ASKED_AT_WORDS: Readonly<Record<FactAskedAt, string>> = {
  telephone: 'On the telephone',
  counter: 'At the car, doors closed',
  doorOpen: 'With the doors open',
  panelOff: 'With the panel off',
};

const GROUPS = (Object.keys(ASKED_AT_WORDS) as FactAskedAt[])
  .map((at) => ({ at, keys: CAR_FACT_KEYS.filter((key) => CAR_FACTS[key].askedAt === at) }))
  .filter(({ keys }) => keys.length > 0);

type FactsFieldsProps = {
  readonly facts: CarFacts;
  /** What its variant is known to have; null where this is the variant. */
  readonly variant: CarFacts | null;
  readonly isLocked: boolean;
  readonly onChange: (facts: CarFacts) => void;
};

export function FactsFields({ facts, variant, isLocked, onChange }: FactsFieldsProps) {
  const set = (key: CarFactKey, fact: CarFact | undefined) => {
    const { [key]: _, ...others } = facts;
    onChange(fact ? { ...others, [key]: fact } : others);
  };
  return (
    <div className="grid gap-x-8 gap-y-6 lg:grid-cols-2">
      {GROUPS.map(({ at, keys }) => (
        <fieldset key={at} disabled={isLocked} className="flex flex-col gap-4">
          <legend className="mb-2 w-full border-b border-ink text-[16px] font-bold">{ASKED_AT_WORDS[at]}</legend>
          {keys.map((key) => (
            <FactField
              key={key}
              factKey={key}
              fact={facts[key]}
              variant={variant?.[key] ?? null}
              onChange={(fact) => set(key, fact)}
            />
          ))}
        </fieldset>
      ))}
    </div>
  );
}

type FactFieldProps = {
  readonly factKey: CarFactKey;
  readonly fact: CarFact | undefined;
  readonly variant: CarFact | null;
  readonly onChange: (fact: CarFact | undefined) => void;
};

function FactField({ factKey, fact, variant, onChange }: FactFieldProps) {
  const { name } = useMe();
  const { question, label, answers, look } = CAR_FACTS[factKey];
  const answered = (change: Partial<CarFact>) => {
    const seen = { answer: '', grade: 'seenHere', note: '' } as const;
    onChange({ ...seen, ...fact, ...change, by: name, at: new Date().toISOString() });
  };
  return (
    <div data-fact={`fact-${factKey}`} className="grid gap-2 sm:grid-cols-2">
      <Choice<string>
        label={question}
        hint={look}
        value={fact?.answer ?? ''}
        options={[['', 'Not looked'], ...Object.entries(answers)]}
        onChange={(answer) => (answer === '' ? onChange(undefined) : answered({ answer }))}
      />
      {fact && (
        <div className="flex flex-col gap-2">
          <Choice<Grade>
            label={`${label}: how it is known`}
            value={fact.grade}
            options={Object.entries(GRADE_LABELS) as [Grade, string][]}
            onChange={(grade) => answered({ grade })}
          />
          <TextField
            label={`${label}: note`}
            hint={fact.by ? `Written down by ${fact.by}.` : undefined}
            value={fact.note}
            maxLength={200}
            onType={(note) => answered({ note })}
          />
        </div>
      )}
      {!fact && variant && (
        <p className="text-[13px] leading-4 text-muted">The library: {carFactWords(factKey, variant)}.</p>
      )}
    </div>
  );
}
