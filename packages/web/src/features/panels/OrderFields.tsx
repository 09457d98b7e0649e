/** What must be out before what, and the order that follows from it. */

import { capital } from '@low-quarry/core/firstLetter';
import { ATTACHED_LABELS, FASTENER_LABELS, panelOrder } from '@low-quarry/core/model';
import { useFieldArray, useWatch } from 'react-hook-form';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { FormChoice } from '../../ui/form/FormChoice';
import type { PanelControl, PanelTyped } from './typedPanel';

export function OrderFields({ control }: { readonly control: PanelControl }) {
  const { fields, append, remove } = useFieldArray({ control, name: 'order' });
  const [fasteners, attached, order] = useWatch({ control, name: ['fasteners', 'attached', 'order'] });
  const names = namesOf(fasteners, attached);
  const keys = Object.keys(names);
  const { order: shown, circle } = panelOrder({
    fasteners: fasteners.map((each) => ({ ...each, lengthMm: null, count: null })),
    attached,
    order,
  });
  return (
    <section aria-label="What comes before what" className="flex flex-col gap-3">
      <h2 className="border-b border-ink text-[18px] font-bold">What comes before what</h2>
      {keys.length < 2 ? (
        <p className="text-muted">Once two things hold it or hang on it, say here which must be out first.</p>
      ) : (
        <>
          {fields.map(({ id }, at) => (
            <fieldset key={id} className="grid items-end gap-3 border-l-4 border-hairline pl-3 sm:grid-cols-2">
              <legend className="sr-only">Line {at + 1}</legend>
              <FormChoice control={control} name={`order.${at}.first`} label="First" options={names} />
              <FormChoice control={control} name={`order.${at}.next`} label="Before" options={names} />
              <Button kind="quiet" className="justify-self-start sm:col-span-2" onClick={() => remove(at)}>
                Take line {at + 1} off
              </Button>
            </fieldset>
          ))}
          <Button className="self-start" onClick={() => append({ first: keys[0] as string, next: keys[1] as string })}>
            Add what comes first
          </Button>
          <FormError>
            {circle
              ? `${[...circle, circle[0] as string].map((key) => names[key]).join(', before ')}: nobody could work by that.`
              : null}
          </FormError>
          {!circle && (
            <ol aria-label="In this order" className="list-decimal pl-6">
              {shown.map((key) => (
                <li key={key}>{names[key]}</li>
              ))}
            </ol>
          )}
        </>
      )}
    </section>
  );
}

function namesOf(
  fasteners: PanelTyped['fasteners'],
  attached: PanelTyped['attached'],
): Readonly<Record<string, string>> {
  return Object.fromEntries([
    ...fasteners.map(
      ({ key, kind, where }) => [key, capital([FASTENER_LABELS[kind], where].filter(Boolean).join(', '))] as const,
    ),
    ...attached.map(({ key, kind, what }) => [key, [ATTACHED_LABELS[kind], what].filter(Boolean).join(': ')] as const),
  ]);
}
