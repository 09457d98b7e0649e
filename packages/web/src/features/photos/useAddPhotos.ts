/** Takes pictures as they are picked, pasted, dropped or taken, makes each ready, and puts it into the outbox as a photo of a record. */
import type { PhotoSubject } from '@low-quarry/core/model';
import { useState } from 'react';
import { AwayError } from '../../api/call';
import { deviceStore } from '../../device/DeviceStore';
import type { AddPhoto } from '../../outbox/Entry';
import { useOutbox } from '../../outbox/OutboxProvider';
import { keepPicture } from '../../outbox/waitingPictures';
import { newId } from '../../ui/newId';
import { askPictures } from '../../workers/pictureClient';

export type PhotoFault = { readonly id: string; readonly name: string; readonly why: string };

/** @param label of what the photos are, such as "Front door, left" */
export function useAddPhotos({ of, recordId, place }: PhotoSubject, label: string) {
  const { outbox } = useOutbox();
  const [left, setLeft] = useState(0);
  const [faults, setFaults] = useState<readonly PhotoFault[]>([]);
  const addOne = async (file: File) => {
    const { personId } = outbox;
    const at = new Date().toISOString();
    try {
      const { jpeg, why } = await askPictures((worker) => worker.prepare(file));
      if (!jpeg) return why;
      const photo = { of, recordId, place, caption: '', marks: [] };
      const entry: AddPhoto = { kind: 'addPhoto', id: newId(), personId, at, label, refused: null, photo };
      await keepPicture(deviceStore, entry, `photo of ${label}`, jpeg);
      await outbox.add(entry);
      return null;
    } catch (error) {
      if (error instanceof AwayError)
        return 'What makes pictures ready could not be loaded: the server does not answer. Add it again once it does.';
      return error instanceof Error ? error.message : String(error);
    }
  };
  const add = async (files: readonly File[]) => {
    setFaults([]);
    setLeft((before) => before + files.length);
    // One after the other: a burst of a camera’s pictures would not fit into a telephone’s memory at once.
    for (const file of files) {
      const why = await addOne(file);
      if (why !== null) setFaults((before) => [...before, { id: newId(), name: file.name, why }]);
      setLeft((before) => before - 1);
    }
  };
  return { add, left, faults };
}
