/** Where to begin when the finished car is set, and what was set. */
import type { BaselineSettings } from '@low-quarry/core/model';
import type { StartValue } from '@low-quarry/core/stations';

type StartValuesProps = { readonly values: readonly StartValue[]; readonly settings: BaselineSettings };

export function StartValues({ values, settings }: StartValuesProps) {
  if (values.length === 0) return null;
  return (
    <section aria-label="Start values" className="flex flex-col gap-2 pt-4">
      <h2 className="border-b border-ink text-[18px] font-bold">Start values</h2>
      <p className="max-w-2xl text-muted">
        Where to begin once everything plays, in this order. What was really set is written down at the hand-over.
      </p>
      <ul className="border-t border-hairline">
        {values.map(({ what, value, why }) => (
          <li key={what} className="grid gap-x-4 border-b border-hairline py-1.5 sm:grid-cols-[320px_1fr]">
            <strong>{what}</strong>
            <span>
              <span className={value === null && settings[what] === undefined ? 'text-measure' : 'font-semibold'}>
                {value ?? 'By ear'}
              </span>
              {settings[what] !== undefined && `; set to ${settings[what]}`}
              <span className="block text-muted">{why}</span>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
