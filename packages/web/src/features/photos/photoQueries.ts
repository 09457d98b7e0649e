/** Photos of records as the shop has them, and how much room their pictures take. */
import { countPictures, listPhotos, type Photo, putPhoto, removePhoto } from '@low-quarry/core/contracts/photos';
import type { PhotoNotes, PhotoOf } from '@low-quarry/core/model';
import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { askAnew } from '../../api/askAnew';
import { call } from '../../api/call';
import { toast } from '../../ui/toast';

/** Of a job with those of its openings. */
export const photosQuery = (of: PhotoOf, recordId: string) =>
  queryOptions({
    queryKey: ['photos', of, recordId],
    queryFn: ({ signal }) => call(listPhotos, { params: { of, recordId }, signal }),
  });

export const picturesCountQuery = queryOptions({
  queryKey: ['photos', 'count'],
  queryFn: ({ signal }) => call(countPictures, { params: {}, signal }),
});

export function usePutPhoto(photoId: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ version, notes }: { readonly version: number; readonly notes: PhotoNotes }) =>
      call(putPhoto, { params: { photoId }, body: { version, ...notes } }),
    retry: false,
    onSuccess: () => askAnew(queries, ['photos']),
  });
}

export function useRemovePhoto({ id: photoId, version }: Photo) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (_: undefined) => call(removePhoto, { params: { photoId }, body: { version } }),
    retry: false,
    onSuccess: () => {
      toast('The photo is taken off.', { canUndo: true });
      void askAnew(queries, ['undo']);
      return askAnew(queries, ['photos']);
    },
  });
}

export function pictureAddress(hash: string, size: 'whole' | 'small'): string {
  return `/api/pictures/${hash}${size === 'small' ? '/small' : ''}`;
}
