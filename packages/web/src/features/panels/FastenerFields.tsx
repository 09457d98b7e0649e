/** What holds a panel, kind by kind and place by place. */

import { capital } from '@low-quarry/core/firstLetter';
import { BASE_LABELS, COVER_LABELS, FASTENER_LABELS, HEAD_LABELS } from '@low-quarry/core/model';
import type { FieldPath } from 'react-hook-form';
import { FormChoice } from '../../ui/form/FormChoice';
import { FormText } from '../../ui/form/FormText';
import { LookedList } from '../../ui/form/LookedList';
import { newId } from '../../ui/newId';
import { MarkedField } from './MarkedField';
import type { PanelControl, PanelTyped } from './typedPanel';

const MOST = 40;
const KINDS = Object.fromEntries(Object.entries(FASTENER_LABELS).map(([kind, words]) => [kind, capital(words)]));

export function FastenerFields({ control }: { readonly control: PanelControl }) {
  return (
    <LookedList
      control={control}
      name="fasteners"
      looked="isFastenersLooked"
      title="What holds it"
      item="fastener"
      add="Add a fastener"
      nothing="Looked: nothing holds it"
      most={MOST}
      empty={() => ({
        ...{ key: newId(), kind: 'screw' as const, where: '', cover: null, head: null, driver: '' },
        ...{ lengthMm: '', base: null, count: '', marked: '' },
      })}
    >
      {(path) => {
        const at = (name: string) => `${path}.${name}` as FieldPath<PanelTyped>;
        return (
          <>
            <FormText control={control} name={at('count')} label="How many" inputMode="numeric" autoComplete="off" />
            <FormChoice control={control} name={at('kind')} label="Kind" options={KINDS} />
            <div className="col-span-2">
              <FormText control={control} name={at('where')} label="Where" autoComplete="off" />
            </div>
            <div className="col-span-2">
              <FormChoice
                control={control}
                name={at('cover')}
                label="Hidden by"
                options={COVER_LABELS}
                none="Not looked"
              />
            </div>
            <FormChoice control={control} name={at('head')} label="Head" options={HEAD_LABELS} none="Not said" />
            <FormText control={control} name={at('driver')} label="Driver" hint="T20, PH2, 10 mm." autoComplete="off" />
            <FormText control={control} name={at('lengthMm')} label="Length, mm" inputMode="text" autoComplete="off" />
            <div className="col-span-2">
              <FormChoice
                control={control}
                name={at('base')}
                label="Goes into"
                options={BASE_LABELS}
                none="Not looked"
              />
            </div>
            <MarkedField control={control} name={at('marked')} />
          </>
        );
      }}
    </LookedList>
  );
}
