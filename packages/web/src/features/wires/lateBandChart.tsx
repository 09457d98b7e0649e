/** The chart, which comes behind the screen. */
import { late } from '../../ui/late';
import { Loading } from '../../ui/states';

export const BandChart = late(
  () => import('./BandChart').then((code) => code.BandChart),
  () => <Loading what="the chart" />,
);
