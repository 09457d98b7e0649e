import { isCurrency, NO_CURRENCY, settingsSchema } from '../../model';
import { SETTING_FIELDS } from '../settingFields';
import { recordEntry, type Upgrade, verbs } from './RecordEntry';

/** A currency could be any three characters. */
const withRealCurrency: Upgrade = (settings) =>
  isCurrency(settings.currency) ? settings : { ...settings, currency: NO_CURRENCY };

export const settingsEntry = recordEntry({
  word: 'Settings',
  schema: settingsSchema,
  upgrades: [withRealCurrency],
  fields: SETTING_FIELDS,
  did: verbs('set up', 'changed', 'reset'),
  changedBy: 'settings',
});
