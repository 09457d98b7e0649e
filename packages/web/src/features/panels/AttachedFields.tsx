/** What hangs on a panel when it is off: plugs, lamps, cables, rods. */
import { ATTACHED_LABELS } from '@low-quarry/core/model';
import type { FieldPath } from 'react-hook-form';
import { FormChoice } from '../../ui/form/FormChoice';
import { FormText } from '../../ui/form/FormText';
import { LookedList } from '../../ui/form/LookedList';
import { newId } from '../../ui/newId';
import { MarkedField } from './MarkedField';
import type { PanelControl, PanelTyped } from './typedPanel';

const MOST = 40;

export function AttachedFields({ control }: { readonly control: PanelControl }) {
  return (
    <LookedList
      control={control}
      name="attached"
      looked="isAttachedLooked"
      title="What hangs on it"
      item="attachment"
      add="Add what hangs on it"
      nothing="Looked: nothing hangs on it"
      most={MOST}
      empty={() => ({ key: newId(), kind: 'plug' as const, what: '', note: '', marked: '' })}
    >
      {(path) => {
        const at = (name: string) => `${path}.${name}` as FieldPath<PanelTyped>;
        return (
          <>
            <FormChoice control={control} name={at('kind')} label="Kind" options={ATTACHED_LABELS} />
            <FormText control={control} name={at('what')} label="What" hint="Window switch." autoComplete="off" />
            <div className="col-span-2">
              <FormText
                control={control}
                name={at('note')}
                label="How it is got at"
                hint="Two fingers only; which rod is the upper one."
                autoComplete="off"
              />
            </div>
            <MarkedField control={control} name={at('marked')} />
          </>
        );
      }}
    </LookedList>
  );
}
