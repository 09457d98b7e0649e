/** The photos of a record, for any screen: their code comes behind it. */
import { late } from '../../ui/late';
import { Loading } from '../../ui/states';
import type { PhotosSectionProps } from './PhotosSection';

export const Photos = late<PhotosSectionProps>(
  () => import('./PhotosSection').then((code) => code.PhotosSection),
  () => <Loading what="the photos" />,
);
