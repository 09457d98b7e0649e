/** What has this code? */
import { type CodeRead, readCode } from '@low-quarry/core/contracts/labels';
import { lotCode, lotWords } from '@low-quarry/core/model';
import { queryOptions, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { call } from '../../api/call';
import { addressOf } from '../../stations/addressOf';
import { useAddress, withParams } from '../../ui/address';
import { Button } from '../../ui/Button';
import { Layer } from '../../ui/Layer';
import { late } from '../../ui/late';
import { Shell } from '../../ui/Shell';
import { Answered, Loading } from '../../ui/states';
import { TextField } from '../../ui/TextField';

const CameraScan = late(
  () => import('./CameraScan').then((code) => code.CameraScan),
  () => <Loading what="the camera" />,
);

const codeQuery = (code: string) =>
  queryOptions({
    queryKey: ['code', code],
    queryFn: ({ signal }) => call(readCode, { params: { code }, signal }),
    enabled: code !== '',
    staleTime: 0,
  });

export function ScanScreen() {
  const [search, changeAddress] = useAddress();
  const code = (search.get('code') ?? '').trim();
  const read = useQuery(codeQuery(code));
  const ask = (next: string) => changeAddress((before) => withParams(before, { code: next.trim() || null }));
  return (
    <Shell
      title={code === '' ? 'Scan' : `Scanned: ${code}`}
      crumbs={[
        { to: '/', label: 'Jobs' },
        { to: '/scan', label: 'Scan' },
      ]}
    >
      <Ask key={code} onAsk={ask} />
      {code !== '' && (
        <Answered query={read} what="what has this code">
          {(found) => <Found code={code} found={found} />}
        </Answered>
      )}
    </Shell>
  );
}

function Ask({ onAsk }: { readonly onAsk: (code: string) => void }) {
  const [typed, setTyped] = useState('');
  const [isOpen, setOpen] = useState(false);
  return (
    <form
      className="flex max-w-xl flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        onAsk(typed);
      }}
    >
      <TextField
        label="Code"
        value={typed}
        autoFocus
        autoComplete="off"
        hint="Of a label, or the number on a box. A scanner that types may be used on any page."
        onType={setTyped}
      />
      <span className="flex flex-wrap gap-3">
        <Button kind="main" type="submit">
          Find it
        </Button>
        <Layer
          title="Scan with the camera"
          open={isOpen}
          onOpenChange={setOpen}
          trigger={(props) => <Button {...props}>Use the camera</Button>}
        >
          <CameraScan
            onRead={(code) => {
              setOpen(false);
              onAsk(code);
            }}
          />
        </Layer>
      </span>
    </form>
  );
}

const ROW = 'flex min-h-12 flex-wrap items-center gap-x-4 border-b border-hairline py-1';
const LINK = 'font-semibold text-action underline underline-offset-2';

function Found({ code, found: { lot, job, parts } }: { readonly code: string; readonly found: CodeRead }) {
  if (!lot && !job && parts.length === 0)
    return (
      <p className="font-semibold text-measure">
        No lot, no job and no part has just this code.{' '}
        <Link to={`/parts?find=${encodeURIComponent(code)}`} className={LINK}>
          Find parts with it in their words
        </Link>
      </p>
    );
  return (
    <ul aria-label="What has this code" className="border-t border-ink">
      {lot && (
        <li className={ROW}>
          <Link to={`/shelf?find=${lotCode(lot.number)}`} className={LINK}>
            {lotCode(lot.number)}, on the shelf
          </Link>
          <span>
            {lotWords(lot)} of{' '}
            <Link to={`/parts/${lot.partId}`} className={LINK}>
              {lot.label}
            </Link>
            {lot.jobId !== null && ', put aside for a job'}
          </span>
        </li>
      )}
      {job && (
        <li className={ROW}>
          <Link to={addressOf('job', { jobId: job.id })} className={LINK}>
            Job {job.number}
          </Link>
          <span>{[job.car, job.registration].filter(Boolean).join(', ')}</span>
          <Link to={addressOf('order', { jobId: job.id })} className={LINK}>
            Its order list
          </Link>
        </li>
      )}
      {parts.map(({ id, label }) => (
        <li key={id} className={ROW}>
          <Link to={`/parts/${id}`} className={LINK}>
            {label}
          </Link>
          <span className="text-muted">{id}</span>
        </li>
      ))}
    </ul>
  );
}
