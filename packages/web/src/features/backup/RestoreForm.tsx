/** Replaces everything with a backup, for whoever types the shop's name. */
import { restoreBackup } from '@low-quarry/core/contracts/backup';
import { useQuery } from '@tanstack/react-query';
import { shopSettingsQuery } from '../../api/settingsQuery';
import { whenWords } from '../../text/whenWords';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { FormText } from '../../ui/form/FormText';
import { useCheckedForm } from '../../ui/form/useCheckedForm';
import { fieldProblems, problemSentence } from '../../ui/problemFields';
import { useRestoreBackup } from './backupQueries';

type RestoreFormProps = { readonly name: string; readonly madeAt: string; readonly onDone: () => void };

export function RestoreForm({ name, madeAt, onDone }: RestoreFormProps) {
  const shop = useQuery(shopSettingsQuery);
  const restore = useRestoreBackup(name);
  const { control, handleSubmit } = useCheckedForm(restoreBackup.body, { shopName: '' }, fieldProblems(restore.error));
  const ofFile = fieldProblems(restore.error).find(({ path }) => path === 'file')?.message ?? null;
  return (
    <form
      onSubmit={handleSubmit(({ shopName }) => restore.mutate(shopName, { onSuccess: onDone }))}
      className="flex flex-col gap-3"
      noValidate
    >
      <p>
        Everything in the shop becomes what it was {whenWords(madeAt, new Date())}: jobs, measurements, people, settings
        and the history. What is there now is kept as a backup of its own first. Everybody signs in again.
      </p>
      <FormText
        control={control}
        name="shopName"
        label={`Type the shop’s name, ${shop.data?.name ?? ''}, to go on`}
        autoComplete="off"
      />
      <FormError>{ofFile ?? problemSentence(restore.error)}</FormError>
      <Button kind="main" type="submit" disabled={restore.isPending}>
        {restore.isPending ? 'Restoring …' : 'Replace everything with this backup'}
      </Button>
    </form>
  );
}
