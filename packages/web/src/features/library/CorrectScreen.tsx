/** What is right of this part? The record as the open formats describe it. */
import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { LinkButton } from '../../ui/Button';
import { late } from '../../ui/late';
import { Shell } from '../../ui/Shell';
import { Answered, Loading } from '../../ui/states';
import { Photos } from '../photos/Photos';
import { partQuery } from './libraryQueries';

const CorrectForm = late(
  () => import('./CorrectForm').then((code) => code.CorrectForm),
  () => <Loading what="the record" />,
);
void CorrectForm.load();

export function CorrectScreen() {
  const { id = '' } = useParams();
  const record = useQuery(partQuery(id));
  return (
    <Shell
      title={`Correct ${id}`}
      crumbs={[
        { to: '/', label: 'Jobs' },
        { to: '/parts', label: 'Parts' },
        { to: `/parts/${id}`, label: id },
      ]}
      aside={<LinkButton to={`/history?kind=part&record=${id}`}>History</LinkButton>}
    >
      <Answered query={record} what="the record">
        {(answer) => (
          <>
            <Photos subject={{ of: 'part', recordId: id, place: '' }} label={id} />
            <CorrectForm id={id} version={answer.version} record={answer.record} />
          </>
        )}
      </Answered>
    </Shell>
  );
}
