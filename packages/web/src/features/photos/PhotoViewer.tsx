/** One photo, large: its caption and marks, who added it, and its end. */
import { type Photo, photoSchema } from '@low-quarry/core/contracts/photos';
import { type PhotoMark, type PhotoState, photoNotesSchema, photoStateSchema } from '@low-quarry/core/model';
import { PHOTO_FIELDS } from '@low-quarry/core/records';
import { z } from 'zod';
import { useMay } from '../../api/me';
import { whenWords } from '../../text/whenWords';
import { BroughtBack } from '../../ui/BroughtBack';
import { Button } from '../../ui/Button';
import { ConflictPanel } from '../../ui/ConflictPanel';
import { FormError } from '../../ui/FormError';
import { useFollow } from '../../ui/form/useFollow';
import { problemSentence } from '../../ui/problemFields';
import { TextField } from '../../ui/TextField';
import { toast } from '../../ui/toast';
import { useConflict } from '../../ui/useConflict';
import { useKept } from '../../ui/useKept';
import { MarkingPicture } from './MarkingPicture';
import { MarksDrawing } from './MarksDrawing';
import { PhotoPicture } from './PhotoPicture';
import { pictureAddress, usePutPhoto, useRemovePhoto } from './photoQueries';
import type { ShownPhoto } from './shownPhoto';

type PhotoViewerProps = { readonly shown: ShownPhoto; readonly label: string; readonly isLocked: boolean };

export function PhotoViewer({ shown, label, isLocked }: PhotoViewerProps) {
  const mayChange = useMay('photos') && !isLocked;
  const picture = <PhotoPicture shown={shown} size="whole" alt={label} className="h-full w-full object-contain" />;
  if (shown.kind === 'waiting')
    return (
      <div className="flex flex-col gap-2">
        <span className="block h-[55dvh]">{picture}</span>
        <p className="text-measure">It waits on this device. It can be described and marked once the shop has it.</p>
      </div>
    );
  return mayChange ? <Changed photo={shown.photo}>{picture}</Changed> : <Looked photo={shown.photo}>{picture}</Looked>;
}

type OnPicture = { readonly photo: Photo; readonly children: React.ReactNode };

function Looked({ photo, children }: OnPicture) {
  const { widthPx, heightPx, marks } = photo;
  return (
    <div className="flex flex-col gap-3">
      <span className="relative block h-[60dvh]">
        {children}
        <svg aria-hidden="true" viewBox={`0 0 ${widthPx} ${heightPx}`} className="absolute inset-0 h-full w-full">
          <MarksDrawing marks={marks} widthPx={widthPx} heightPx={heightPx} />
        </svg>
      </span>
      <About photo={photo} />
    </div>
  );
}

const draftSchema = z.object({
  version: z.int(),
  base: photoStateSchema,
  caption: z.string(),
  marks: z.custom<readonly PhotoMark[]>((marks) => photoNotesSchema.shape.marks.safeParse(marks).success),
});
type Draft = z.output<typeof draftSchema>;

function toDraft(photo: Photo): Draft {
  const { version, caption, marks } = photo;
  return { version, base: toState(photo), caption, marks };
}

function toState({ of, recordId, place, hash, caption, marks }: Photo): PhotoState {
  return { of, recordId, place, hash, caption, marks };
}

function Changed({ photo, children }: OnPicture) {
  const kept = useKept<Draft>(`photo.${photo.id}`, draftSchema, () => toDraft(photo));
  const { state, keep, settle, isTouched: isTyped, broughtBack } = kept;
  const put = usePutPhoto(photo.id);
  const remove = useRemovePhoto(photo);
  const { panel, send, drop } = useConflict<PhotoState>({
    fieldsOf: () => PHOTO_FIELDS,
    read: (current) => {
      const read = photoSchema.safeParse(current);
      return read.success ? { version: read.data.version, record: toState(read.data) } : null;
    },
    save: ({ version, record: { caption, marks } }, onError) =>
      put.mutate(
        { version, notes: { caption, marks } },
        {
          onError,
          onSuccess: (saved) => {
            settle(toDraft(saved));
            toast('The photo is described.');
          },
        },
      ),
  });
  const { caption, marks } = state;
  const isTouched = caption !== state.base.caption || marks !== state.base.marks;
  const showShops = () => settle(toDraft(photo));
  useFollow(photo.version, isTyped, () => settle(toDraft(photo)));
  return (
    <form
      className="grid gap-4 lg:grid-cols-[5fr_3fr]"
      aria-label="This photo"
      onSubmit={(event) => {
        event.preventDefault();
        // The sheet lies over a form of the screen, which is not meant.
        event.stopPropagation();
        send(state.version, state.base, { ...state.base, caption: caption.trim(), marks: [...marks] });
      }}
    >
      <div className="lg:col-span-2 empty:hidden">
        <BroughtBack show={broughtBack} onDrop={showShops} />
      </div>
      <MarkingPicture
        widthPx={photo.widthPx}
        heightPx={photo.heightPx}
        marks={marks}
        onChange={(next) => keep({ ...state, marks: next })}
        after={
          <>
            <TextField
              label="Caption"
              hint="What is to be seen, in a few words."
              value={caption}
              maxLength={300}
              onType={(text) => keep({ ...state, caption: text })}
            />
            <About photo={photo} />
            <FormError>{panel ? null : (problemSentence(put.error) ?? problemSentence(remove.error))}</FormError>
            {panel && (
              <ConflictPanel
                what="this photo"
                {...panel}
                onTakeTheirs={() => {
                  drop();
                  showShops();
                }}
              />
            )}
            <span className="flex flex-wrap gap-3">
              <Button kind="main" type="submit" disabled={!isTouched || put.isPending}>
                {put.isPending ? 'Saving …' : 'Save caption and marks'}
              </Button>
              <Button disabled={remove.isPending} onClick={() => remove.mutate(undefined)}>
                Take the photo off
              </Button>
            </span>
          </>
        }
      >
        {children}
      </MarkingPicture>
    </form>
  );
}

function About({ photo }: { readonly photo: Photo }) {
  return (
    <p className="text-[13px] leading-4 text-muted">
      Added by {photo.addedBy}, {whenWords(photo.addedAt, new Date())}.{' '}
      <a href={pictureAddress(photo.hash, 'whole')} download="photo.jpg" className="text-action underline">
        Download it without marks
      </a>
    </p>
  );
}
