/** What does the server do besides answering, and did it go well? */
import { useQuery } from '@tanstack/react-query';
import { Shell } from '../../ui/Shell';
import { Answered, Empty } from '../../ui/states';
import { WorkRow } from './WorkRow';
import { workQuery } from './workQueries';

export function WorkScreen() {
  const work = useQuery(workQuery);
  return (
    <Shell
      title="Server work"
      crumbs={[
        { to: '/', label: 'Jobs' },
        { to: '/work', label: 'Server work' },
      ]}
    >
      <p className="max-w-2xl">
        What the server does by itself or when it is asked: nobody has to wait for it. What fails is tried again; what
        was cut off goes on when the server is back.
      </p>
      <Answered query={work} what="the server’s work">
        {({ work: all }) =>
          all.length === 0 ? (
            <Empty>The server had nothing to do yet. Its first night’s work comes after closing time.</Empty>
          ) : (
            <ul className="border-t border-ink">
              {all.map((each) => (
                <WorkRow key={each.id} work={each} />
              ))}
            </ul>
          )
        }
      </Answered>
    </Shell>
  );
}
