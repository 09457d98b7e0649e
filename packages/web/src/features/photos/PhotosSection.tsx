/** The photos of a record, and what adds more of them: camera, files, what is pasted or dropped here. */
import type { PhotoSubject } from '@low-quarry/core/model';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { useMay } from '../../api/me';
import { needsPerson } from '../../outbox/Entry';
import { useOutbox } from '../../outbox/OutboxProvider';
import { FormError } from '../../ui/FormError';
import { Layer } from '../../ui/Layer';
import { Answered } from '../../ui/states';
import { askPictures } from '../../workers/pictureClient';
import { AddPhotos } from './AddPhotos';
import { MarksDrawing } from './MarksDrawing';
import { PhotoPicture } from './PhotoPicture';
import { PhotoViewer } from './PhotoViewer';
import { photosQuery } from './photoQueries';
import { notesOf, type ShownPhoto, shownPhotos, subjectOf } from './shownPhoto';
import { useAddPhotos } from './useAddPhotos';
import { TAKES_PHOTOS, usePasted } from './usePasted';

export type PhotosSectionProps = {
  /** What is added here is of this. */
  readonly subject: PhotoSubject;
  /** What that is called, such as "Front door, left". */
  readonly label: string;
  /** Those of other subjects of the record are shown here too, each with where it is from; null: only those of this subject. */
  readonly originOf?: (subject: PhotoSubject) => string | null;
  /** Of what none is added, changed or taken off: it was signed for. */
  readonly isLocked?: (subject: PhotoSubject) => boolean;
  /** One of many on its screen: without a heading, and small. */
  readonly isSmall?: boolean;
};

export function PhotosSection({
  subject,
  label,
  originOf,
  isLocked = () => false,
  isSmall = false,
}: PhotosSectionProps) {
  const { of, recordId, place } = subject;
  const photos = useQuery(photosQuery(of, recordId));
  const { entries } = useOutbox();
  const part = useRef<HTMLElement>(null);
  const mayAdd = useMay('photos') && !isLocked(subject);
  const { add, left, faults } = useAddPhotos(subject, label);
  const take = (files: readonly File[]) => {
    if (mayAdd) void add(files);
  };
  usePasted(part, !isSmall, take);
  useReadyForPictures();
  const isMeant = (each: PhotoSubject) => each.of === of && each.recordId === recordId && each.place === place;
  return (
    <section
      ref={part}
      aria-label={`Photos of ${label}`}
      className="flex flex-col gap-2"
      {...{ [TAKES_PHOTOS]: '' }}
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        take([...event.dataTransfer.files]);
      }}
    >
      {!isSmall && <h2>Photos</h2>}
      <Answered query={photos} what="the photos">
        {(answer) => {
          const shown = shownPhotos(
            answer.photos,
            entries,
            (each) => isMeant(each) || (originOf?.(each) ?? null) !== null,
          );
          if (answer.unreadable > 0 && shown.length === 0) return <Unreadable count={answer.unreadable} />;
          if (shown.length === 0) return isSmall ? null : <p className="text-muted">None yet.</p>;
          return (
            <>
              <Unreadable count={answer.unreadable} />
              <ul className="flex flex-wrap gap-3">
                {shown.map((each) => (
                  <li key={each.id}>
                    <Thumb
                      shown={each}
                      label={label}
                      origin={originOf?.(subjectOf(each)) ?? null}
                      isLocked={isLocked(subjectOf(each))}
                    />
                  </li>
                ))}
              </ul>
            </>
          );
        }}
      </Answered>
      {mayAdd && <AddPhotos label={label} isSmall={isSmall} onAdd={take} />}
      {mayAdd && !isSmall && (
        <p className="text-[13px] leading-4 text-muted">
          Or paste or drop pictures here. Where and with which device they were taken is removed before they are kept.
        </p>
      )}
      <p role="status">{left > 0 && `${left === 1 ? 'One picture is' : `${left} pictures are`} being made ready …`}</p>
      {faults.map(({ id, name, why }) => (
        <FormError key={id}>{`${name}: ${why}`}</FormError>
      ))}
    </section>
  );
}

function Unreadable({ count }: { readonly count: number }) {
  if (count === 0) return null;
  return (
    <FormError>
      {`${count === 1 ? 'One photo' : `${count} photos`} cannot be read. The history can bring an earlier state back.`}
    </FormError>
  );
}

/** Over plain http nothing of the program is kept on the device: what makes pictures ready is fetched while the server answers. */
function useReadyForPictures(): void {
  useEffect(() => {
    if (!window.isSecureContext) askPictures((worker) => worker.isReady()).catch(() => {});
  }, []);
}

type ThumbProps = {
  readonly shown: ShownPhoto;
  readonly label: string;
  readonly origin: string | null;
  readonly isLocked: boolean;
};

function Thumb({ shown, label, origin, isLocked }: ThumbProps) {
  const [isOpen, setOpen] = useState(false);
  const { caption } = notesOf(shown);
  const name = caption || `Photo of ${(origin ?? label).toLowerCase()}`;
  return (
    <Layer
      title={caption || 'Photo'}
      isWide
      open={isOpen}
      onOpenChange={setOpen}
      trigger={(props) => (
        <button
          type="button"
          {...props}
          aria-label={`Open: ${name}`}
          className="flex w-32 flex-col gap-1 text-left text-[13px] leading-4"
        >
          <span className="relative block h-24 w-32 overflow-hidden border border-hairline bg-ground">
            <PhotoPicture shown={shown} size="small" alt="" className="h-full w-full object-cover" />
            <ThumbMarks shown={shown} />
          </span>
          {caption && <span className="line-clamp-2">{caption}</span>}
          {origin && <span className="text-muted">{origin}</span>}
          {shown.kind === 'waiting' && (
            <span className={needsPerson(shown.entry) ? 'font-semibold text-hits' : 'text-measure'}>
              {shown.entry.refused ? `Refused: ${shown.entry.refused.message}` : 'Waits for the shop'}
            </span>
          )}
        </button>
      )}
    >
      <PhotoViewer shown={shown} label={name} isLocked={isLocked} />
    </Layer>
  );
}

/** As the small picture is cut: filled, from its middle. */
function ThumbMarks({ shown }: { readonly shown: ShownPhoto }) {
  if (shown.kind !== 'kept' || shown.photo.marks.length === 0) return null;
  const { widthPx, heightPx, marks } = shown.photo;
  return (
    <svg
      aria-hidden="true"
      viewBox={`0 0 ${widthPx} ${heightPx}`}
      preserveAspectRatio="xMidYMid slice"
      className="absolute inset-0 h-full w-full"
    >
      <MarksDrawing marks={marks} widthPx={widthPx} heightPx={heightPx} />
    </svg>
  );
}
