/** What is right of this part or vehicle? The record as the open formats describe it. */
import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { LinkButton } from '../../ui/Button';
import { late } from '../../ui/late';
import { Shell } from '../../ui/Shell';
import { Answered, Loading } from '../../ui/states';
import { type LibraryKind, libraryQuery } from './libraryQueries';

const CorrectForm = late(
  () => import('./CorrectForm').then((code) => code.CorrectForm),
  () => <Loading what="the record" />,
);
void CorrectForm.load();

export function CorrectScreen() {
  const { kind = '', id = '' } = useParams();
  const known: LibraryKind = kind === 'vehicle' ? 'vehicle' : 'part';
  const record = useQuery(libraryQuery(known, id));
  return (
    <Shell
      title={`Correct ${id}`}
      crumbs={[
        { to: '/', label: 'Jobs' },
        { to: '/library', label: 'Library' },
        { to: `/library/${known}/${id}`, label: id },
      ]}
      aside={<LinkButton to={`/history?kind=${known}&record=${id}`}>History</LinkButton>}
    >
      <Answered query={record} what="the record">
        {(answer) => <CorrectForm kind={known} id={id} version={answer.version} record={answer.record} />}
      </Answered>
    </Shell>
  );
}
