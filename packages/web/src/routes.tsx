import { createBrowserRouter } from 'react-router';
import { FitScreen } from './features/fit/FitScreen';
import { JobScreen } from './features/jobs/JobScreen';
import { JobsScreen } from './features/jobs/JobsScreen';
import { OpeningScreen } from './features/openings/OpeningScreen';
import { OrderScreen } from './features/orders/OrderScreen';
import { WillFitScreen } from './features/willFit/WillFitScreen';
import { ScreenFault } from './ui/states';

export function createRoutes() {
  return createBrowserRouter([
    {
      ErrorBoundary: ScreenFault,
      children: [
        { path: '/', Component: JobsScreen, ErrorBoundary: ScreenFault },
        { path: '/will-it-fit', Component: WillFitScreen, ErrorBoundary: ScreenFault },
        { path: '/jobs/:jobId', Component: JobScreen, ErrorBoundary: ScreenFault },
        { path: '/jobs/:jobId/openings/:openingId', Component: OpeningScreen, ErrorBoundary: ScreenFault },
        { path: '/jobs/:jobId/openings/:openingId/fit', Component: FitScreen, ErrorBoundary: ScreenFault },
        { path: '/jobs/:jobId/order', Component: OrderScreen, ErrorBoundary: ScreenFault },
      ],
    },
  ]);
}
