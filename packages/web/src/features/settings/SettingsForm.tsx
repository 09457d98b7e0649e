/** The settings as a form: kept while they are typed, put together with what others save, saved as one. */
import { getSettings } from '@low-quarry/core/contracts/settings';
import type { ShopSettings } from '@low-quarry/core/model';
import { differencesOf, isSame, SETTING_FIELDS, SETTING_GROUPS } from '@low-quarry/core/records';
import { useEffect, useMemo } from 'react';
import { z } from 'zod';
import { useMay } from '../../api/me';
import { BroughtBack } from '../../ui/BroughtBack';
import { Button } from '../../ui/Button';
import { ConflictPanel } from '../../ui/ConflictPanel';
import { FormError } from '../../ui/FormError';
import { useCheckedForm } from '../../ui/form/useCheckedForm';
import { useFollow } from '../../ui/form/useFollow';
import { useTypedKept } from '../../ui/form/useTypedKept';
import { fieldProblems, problemSentence } from '../../ui/problemFields';
import { useConflict } from '../../ui/useConflict';
import { useKept } from '../../ui/useKept';
import { Setting } from './Setting';
import { usePutSettings } from './settingsQueries';
import { broughtUpTo, readTyped, type TypedSettings, toTyped, typedSettingsSchema } from './typedSettings';

/** Half-typed settings may be none that a shop could have: they are read as they were kept. */
const keptShop = z.custom<ShopSettings>((value) => typeof value === 'object' && value !== null);
const draftSchema = z.object({ version: z.int(), base: keptShop, typed: z.record(z.string(), z.unknown()) });
type Draft = z.infer<typeof draftSchema>;

function toDraft(version: number, shop: ShopSettings): Draft {
  return { version, base: shop, typed: { ...toTyped(shop) } };
}

type SettingsFormProps = {
  readonly version: number;
  readonly stored: ShopSettings;
  readonly unreadable: string | null;
};

export function SettingsForm({ version, stored, unreadable }: SettingsFormProps) {
  const maySet = useMay('settings');
  const {
    state: draft,
    keep,
    settle,
    isTouched,
    broughtBack,
  } = useKept('settings', draftSchema, () => toDraft(version, stored));
  const put = usePutSettings();
  const form = useCheckedForm<TypedSettings, ShopSettings>(
    useMemo(() => typedSettingsSchema(draft.base), [draft.base]),
    draft.typed,
    useOfSettings(put.error),
    'onChange',
  );
  const { control, handleSubmit, reset, trigger } = form;
  useTypedKept(form, (typed) => keep({ ...draft, typed: { ...typed } }));
  const show = (next: Draft) => {
    settle(next);
    reset(next.typed);
  };
  const { conflict, panel, send, drop } = useConflict<ShopSettings>({
    fieldsOf: () => SETTING_FIELDS,
    read: (current) => {
      const read = getSettings.answer.safeParse(current);
      return read.success ? { version: read.data.version, record: read.data.settings } : null;
    },
    save: ({ version: on, record: settings }, onError) =>
      put.mutate(
        { version: on, settings },
        { onError, onSuccess: (answer) => show(toDraft(answer.version, answer.settings)) },
      ),
  });
  // What came back half-typed says so at once.
  useEffect(() => {
    if (broughtBack) void trigger();
  }, [broughtBack, trigger]);
  // Somebody else saved: what they changed comes in where nothing is typed here; where both did, saving asks.
  useEffect(() => {
    if (version <= draft.version || conflict || put.isPending) return;
    const typed = broughtUpTo(draft.typed, draft.base, stored);
    if (!typed) return;
    const next = { version, base: stored, typed: { ...typed } };
    (isSame(typed, toTyped(stored)) ? settle : keep)(next);
    reset(next.typed);
    void trigger();
  });
  const { shop, wrong } = readTyped(draft.typed, draft.base);
  const changes = differencesOf(SETTING_FIELDS, draft.base, shop);
  const judging = changes.some(({ path }) => SETTING_FIELDS.find((field) => field.path === path)?.judges);

  useFollow(version, isTouched, () => show(toDraft(version, stored)));
  return (
    <form
      onSubmit={handleSubmit((settings) => send(draft.version, draft.base, settings))}
      className="flex flex-col gap-8"
      noValidate
    >
      <BroughtBack show={broughtBack} onDrop={() => show(toDraft(version, stored))} />
      {unreadable !== null && (
        <p role="alert" className="max-w-2xl border-l-4 border-hits bg-paper px-3 py-2 font-semibold text-hits">
          The settings that are kept cannot be read ({unreadable}). Nothing is judged until they are set right: look
          through what stands here, where the default fills the gaps, and save it; or bring an earlier state back from
          their history.
        </p>
      )}
      <fieldset disabled={!maySet} className="flex flex-col gap-8">
        {SETTING_GROUPS.map((group) => (
          <section key={group} aria-label={group} className="flex flex-col gap-3">
            <h2 className="border-b border-ink text-[18px] font-bold">{group}</h2>
            <div className="grid gap-x-6 gap-y-4 sm:grid-cols-2 lg:grid-cols-3">
              {SETTING_FIELDS.filter((field) => field.group === group).map((field) => (
                <Setting key={field.path} field={field} control={control} currency={shop.currency} />
              ))}
            </div>
          </section>
        ))}
      </fieldset>
      <div className="sticky bottom-0 z-10 flex flex-wrap items-center gap-3 border-t border-ink bg-ground py-3">
        {maySet ? (
          <Button kind="main" type="submit" disabled={(changes.length === 0 && unreadable === null) || put.isPending}>
            {changes.length === 0 && unreadable !== null
              ? 'Save what stands here'
              : changes.length === 0
                ? 'Nothing changed'
                : `Save ${changes.length} ${changes.length === 1 ? 'setting' : 'settings'}`}
          </Button>
        ) : (
          <p className="font-semibold text-hold">You can look; changing settings is for the owner.</p>
        )}
        <p role="status" className={wrong.length > 0 ? 'font-semibold text-hits' : 'text-muted'}>
          {wrong.length > 0
            ? wrong.length === 1
              ? 'One setting cannot be read, see its message.'
              : `${wrong.length} settings cannot be read, see their messages.`
            : judging
              ? 'Every verdict is judged again with this. What is chosen stays chosen, and says when it no longer clears.'
              : put.isSuccess && changes.length === 0
                ? ['Saved in the shop.', ...put.data.findings].join(' ')
                : ''}
        </p>
        <FormError>{conflict ? null : problemSentence(put.error)}</FormError>
      </div>
      {conflict && panel && (
        <ConflictPanel
          what="the settings"
          {...panel}
          onTakeTheirs={() => {
            drop();
            show(toDraft(conflict.theirs.version, conflict.theirs.record));
          }}
        />
      )}
    </form>
  );
}

const WITHIN = 'settings.';

/** The request holds the settings beside their version: their paths are one step further down. */
function useOfSettings(error: Error | null): ReturnType<typeof fieldProblems> {
  const refused = fieldProblems(error);
  return useMemo(
    () =>
      refused.map(({ path, message }) => ({
        path: path.startsWith(WITHIN) ? path.slice(WITHIN.length) : path,
        message,
      })),
    [refused],
  );
}
