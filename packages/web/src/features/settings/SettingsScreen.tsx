/** What does this shop go by? Each setting says what it changes; verdicts are judged again when one is saved. */
import { getSettings } from '@low-quarry/core/contracts/settings';
import { type ShopSettings, WEEKDAYS } from '@low-quarry/core/model';
import {
  differencesOf,
  isSame,
  mergeChanges,
  SETTING_FIELDS,
  SETTING_GROUPS,
  type SettingField,
} from '@low-quarry/core/records';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useEffect } from 'react';
import { z } from 'zod';
import { useMay } from '../../api/me';
import { BroughtBack } from '../../ui/BroughtBack';
import { Button, LinkButton } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { ConflictPanel } from '../../ui/ConflictPanel';
import { FormError } from '../../ui/FormError';
import { problemFields, problemSentence } from '../../ui/problemFields';
import { Shell } from '../../ui/Shell';
import { Answered } from '../../ui/states';
import { TextField } from '../../ui/TextField';
import { useConflict } from '../../ui/useConflict';
import { useKept } from '../../ui/useKept';
import { StockField } from './StockField';
import { settingsQuery, usePutSettings } from './settingsQueries';
import { fromText, toText } from './settingText';

export function SettingsScreen() {
  const settings = useQuery(settingsQuery);
  return (
    <Shell
      title="Settings"
      crumbs={[
        { to: '/', label: 'Jobs' },
        { to: '/settings', label: 'Settings' },
      ]}
      aside={<LinkButton to="/history?kind=settings">History of the settings</LinkButton>}
    >
      <Answered query={settings} what="the settings">
        {({ version, settings: stored, unreadable }) => (
          <SettingsForm version={version} stored={stored} unreadable={unreadable} />
        )}
      </Answered>
    </Shell>
  );
}

/** Half-typed settings may be none that a shop could have: they are read as they were kept. */
const keptShop = z.custom<ShopSettings>((value) => typeof value === 'object' && value !== null);
const draftSchema = z.object({
  version: z.int(),
  base: keptShop,
  shop: keptShop,
  texts: z.record(z.string(), z.string()),
});
type Draft = z.infer<typeof draftSchema>;

function toDraft(version: number, shop: ShopSettings): Draft {
  return { version, base: shop, shop, texts: {} };
}

function SettingsForm({
  version,
  stored,
  unreadable,
}: {
  readonly version: number;
  readonly stored: ShopSettings;
  readonly unreadable: string | null;
}) {
  const maySet = useMay('settings');
  const { state: draft, keep, settle, broughtBack } = useKept('settings', draftSchema, () => toDraft(version, stored));
  const { base, shop, texts } = draft;
  const errors = textErrors(texts);
  const put = usePutSettings();
  const { conflict, panel, send, drop } = useConflict<ShopSettings>({
    fields: SETTING_FIELDS,
    read: (current) => {
      const read = getSettings.answer.safeParse(current);
      return read.success ? { version: read.data.version, record: read.data.settings } : null;
    },
    save: (on, settings, onError) =>
      put.mutate(
        { version: on, settings },
        {
          onError,
          onSuccess: (answer) => settle(toDraft(answer.version, answer.settings)),
        },
      ),
  });
  // Somebody else saved: what they changed comes in where nothing is typed here; where both did, saving asks.
  useEffect(() => {
    if (version <= draft.version || conflict || put.isPending) return;
    const { merged, clashes } = mergeChanges(SETTING_FIELDS, base, shop, stored);
    const next = { ...draft, version, base: stored, shop: merged };
    if (clashes.length === 0) (isSame(merged, stored) ? settle : keep)(next);
  });
  const changes = differencesOf(SETTING_FIELDS, base, shop);
  const judging = changes.some(({ path }) => SETTING_FIELDS.find((field) => field.path === path)?.judges);
  const refusedFields = problemFields(put.error);
  const errorOf = (field: SettingField) => errors[field.path] ?? refusedFields[`settings.${field.path}`] ?? null;

  const type = (field: SettingField, text: string) => {
    const read = fromText(text, field.input);
    const typed = { ...draft, texts: { ...texts, [field.path]: text } };
    keep(read.ok ? { ...typed, shop: field.write(shop, read.value) } : typed);
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (Object.keys(errors).length > 0) return;
    send(draft.version, base, shop);
  };

  return (
    <form onSubmit={submit} className="flex flex-col gap-8" noValidate>
      <BroughtBack show={broughtBack} onDrop={() => settle(toDraft(version, stored))} />
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
                <Setting
                  key={field.path}
                  field={field}
                  shop={shop}
                  text={texts[field.path]}
                  error={errorOf(field)}
                  onType={(text) => type(field, text)}
                  onChange={(value) => keep({ ...draft, shop: field.write(shop, value) })}
                />
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
        <p role="status" className={Object.keys(errors).length > 0 ? 'font-semibold text-hits' : 'text-muted'}>
          {Object.keys(errors).length > 0
            ? 'One setting cannot be read, see its message.'
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
            settle(toDraft(conflict.theirs.version, conflict.theirs.record));
          }}
        />
      )}
    </form>
  );
}

/** What is wrong with what is typed, by the setting's path. */
function textErrors(texts: Readonly<Record<string, string>>): Readonly<Record<string, string>> {
  const wrong = SETTING_FIELDS.flatMap(({ path, input }) => {
    const text = texts[path];
    const read = text === undefined ? null : fromText(text, input);
    return read && !read.ok ? [[path, read.failure] as const] : [];
  });
  return Object.fromEntries(wrong);
}

type SettingProps = {
  readonly field: SettingField;
  readonly shop: ShopSettings;
  readonly text: string | undefined;
  readonly error: string | null;
  readonly onType: (text: string) => void;
  readonly onChange: (value: unknown) => void;
};

const UNIT_WORDS = { mm: ', mm', percent: ', %' } as const;

function Setting({ field, shop, text, error, onType, onChange }: SettingProps) {
  const { input, label, changes } = field;
  const value = field.read(shop);
  switch (input.kind) {
    case 'choice':
      return (
        <Choice
          label={label}
          value={String(value)}
          options={input.options}
          hint={changes}
          error={error}
          onChange={onChange}
        />
      );
    case 'days':
      return <DaysField label={label} hint={changes} days={value as readonly string[]} onChange={onChange} />;
    case 'stock':
      return (
        <StockField
          stock={value as ShopSettings['stock']}
          hint={changes}
          currency={shop.currency}
          onChange={onChange}
        />
      );
    default: {
      const unit =
        input.kind === 'money' ? `, ${shop.currency}` : input.kind in UNIT_WORDS ? UNIT_WORDS[input.kind as 'mm'] : '';
      return (
        <TextField
          label={`${label}${unit}`}
          value={text ?? toText(value, input)}
          hint={changes}
          error={error}
          autoComplete="off"
          onType={onType}
        />
      );
    }
  }
}

function DaysField({
  label,
  hint,
  days,
  onChange,
}: {
  readonly label: string;
  readonly hint: string;
  readonly days: readonly string[];
  readonly onChange: (days: readonly string[]) => void;
}) {
  return (
    <fieldset className="flex flex-col gap-1">
      <legend className="mb-1 font-semibold">{label}</legend>
      <div className="flex flex-wrap gap-x-4">
        {WEEKDAYS.map((day) => (
          <label key={day} className="flex min-h-12 items-center gap-2">
            <input
              type="checkbox"
              className="size-6 accent-action"
              checked={days.includes(day)}
              onChange={({ target }) =>
                onChange(WEEKDAYS.filter((each) => (each === day ? target.checked : days.includes(each))))
              }
            />
            {day}
          </label>
        ))}
      </div>
      <p className="text-[13px] leading-4 text-muted">{hint}</p>
    </fieldset>
  );
}
