/** Who wrote each value of this part down, when, from what, and what is that worth? */
import { GRADE_WORDS, VALUE_GRADES, type ValueOrigin } from '@low-quarry/core/records';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { shopDay } from '../../text/shopDays';
import { Answered } from '../../ui/states';
import { partOriginsQuery } from './libraryQueries';

export function WhereFrom({ partId }: { readonly partId: string }) {
  const [isOpen, setOpen] = useState(false);
  const origins = useQuery({ ...partOriginsQuery(partId), enabled: isOpen });
  return (
    <details onToggle={({ currentTarget }) => setOpen(currentTarget.open)}>
      <summary className="flex min-h-12 cursor-pointer items-center text-action underline">
        Where each value comes from
      </summary>
      {isOpen && (
        <Answered query={origins} what="where the values come from">
          {({ values }) => <Values values={values} />}
        </Answered>
      )}
    </details>
  );
}

function Values({ values }: { readonly values: readonly ValueOrigin[] }) {
  return (
    <section aria-label="Where each value comes from" className="flex flex-col gap-4">
      {VALUE_GRADES.map((grade) => {
        const own = values.filter((value) => value.grade === grade);
        if (own.length === 0) return null;
        const { label, worth } = GRADE_WORDS[grade];
        return (
          <div key={grade}>
            <h3>
              {label}: <span className="font-normal">{worth}</span>
            </h3>
            <ul className="border-t border-ink">
              {own.map((value) => (
                <OneValue key={value.path} value={value} />
              ))}
            </ul>
          </div>
        );
      })}
    </section>
  );
}

function OneValue({ value: { label, words, from, by, at, isDoubted, measured } }: { readonly value: ValueOrigin }) {
  const who = by === null || at === null ? '' : `${from && `${from}, `}${by}, ${shopDay(at.slice(0, 10))}`;
  return (
    <li className="grid gap-x-4 border-b border-hairline py-1 sm:grid-cols-[1fr_1fr_1fr]">
      <span className="text-muted">{label}</span>
      <span className="break-words">{words}</span>
      <span>
        {who}
        {isDoubted && <span className="block font-semibold text-measure">doubted</span>}
        {measured && (
          <span className="block font-semibold">
            measured in hand since: {measured.by}, {shopDay(measured.on)}
          </span>
        )}
      </span>
    </li>
  );
}
