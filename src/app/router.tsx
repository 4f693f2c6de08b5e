// The addresses of the app: the Shelf, and the five stages of a book. Stages load when they are first looked at.
import { createBrowserRouter, Navigate } from 'react-router';
import { Shelf } from '../ui/routes/shelf/Shelf';
import { LoadError } from '../ui/components/LoadError';

const stage = (load: () => Promise<{ default: React.ComponentType }>) => async () => ({
  Component: (await load()).default,
});

export function createAppRouter() {
  return createBrowserRouter([
    { path: '/', element: <Shelf />, errorElement: <LoadError /> },
    {
      path: '/book/:bookId',
      errorElement: <LoadError />,
      hydrateFallbackElement: <div className="h-full bg-desk" />,
      lazy: stage(() => import('../ui/frame/BookFrame')),
      children: [
        { index: true, element: <Navigate to="pages" replace /> },
        { path: 'copy', lazy: stage(() => import('../ui/routes/copy/CopyStage')) },
        { path: 'spec', lazy: stage(() => import('../ui/routes/spec/SpecStage')) },
        { path: 'pages', lazy: stage(() => import('../ui/routes/pages/PagesStage')) },
        { path: 'proof', lazy: stage(() => import('../ui/routes/proof/ProofStage')) },
        { path: 'send-out', lazy: stage(() => import('../ui/routes/send-out/SendOutStage')) },
      ],
    },
    { path: '*', element: <Navigate to="/" replace /> },
  ]);
}
