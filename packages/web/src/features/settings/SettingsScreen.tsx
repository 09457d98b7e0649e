/** What does this shop go by? Each setting says what it changes; verdicts are judged again when one is saved. */
import { useQuery } from '@tanstack/react-query';
import { LinkButton } from '../../ui/Button';
import { late } from '../../ui/late';
import { Shell } from '../../ui/Shell';
import { Answered, Loading } from '../../ui/states';
import { settingsQuery } from './settingsQueries';

const SettingsForm = late(
  () => import('./SettingsForm').then((code) => code.SettingsForm),
  () => <Loading what="the settings" />,
);
void SettingsForm.load();

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
