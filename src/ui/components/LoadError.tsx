// Shown when a part of the app cannot be loaded or fails while it draws.
import { useRouteError } from 'react-router';

export function LoadError() {
  const error = useRouteError() as Error | undefined;
  return (
    <main className="grid h-full place-items-center bg-base-200 p-8">
      <div role="alert" className="max-w-md space-y-3">
        <h1 className="text-lg font-semibold">This screen could not be shown</h1>
        <p>Your books are safe in this browser. Loading the page again usually helps.</p>
        <p className="text-quiet">{error?.message}</p>
        <div className="flex gap-2">
          <button className="btn btn-sm btn-primary" onClick={() => window.location.reload()}>
            Load again
          </button>
          <a className="btn btn-sm btn-outline" href="/">
            To the Shelf
          </a>
        </div>
      </div>
    </main>
  );
}
