/** What is one's own: the PIN, the password, this device's name, and signing out everywhere. */
import { useQuery } from '@tanstack/react-query';
import { useMe } from '../../api/me';
import { late } from '../../ui/late';
import { PlainHttpNote } from '../../ui/PlainHttpNote';
import { Shell } from '../../ui/Shell';
import { Loading } from '../../ui/states';
import { sessionQuery } from './sessionQueries';

const MeForms = late(
  () => import('./MeForms').then((code) => code.MeForms),
  () => <Loading what="your sign-in" />,
);
void MeForms.load();

export function MeScreen() {
  const me = useMe();
  const session = useQuery(sessionQuery);
  const deviceName = session.data?.kind === 'signedIn' ? session.data.deviceName : '';
  return (
    <Shell
      title="My sign-in"
      crumbs={[
        { to: '/', label: 'Jobs' },
        { to: '/me', label: 'My sign-in' },
      ]}
    >
      <PlainHttpNote />
      <MeForms hasPin={me.hasPin} deviceName={deviceName} />
    </Shell>
  );
}
