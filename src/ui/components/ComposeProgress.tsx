// Tells that newer pages are being composed, and how far it is; or that it failed.
import { useLate } from './useLate';
import { useAppSelector } from '../../state/hooks';

export function ComposeProgress() {
  const { progress, failed } = useAppSelector((state) => state.compose);
  const isRunning = progress !== null;
  const isLong = useLate(isRunning);
  if (failed !== null) {
    return (
      <p role="alert" className="absolute inset-x-0 top-0 z-20 border-b border-error bg-base-100 px-4 py-2 text-error">
        The pages could not be composed: {failed}
      </p>
    );
  }
  return (
    <div
      className="pointer-events-none absolute inset-x-0 top-0 z-20 h-[3px]"
      role="status"
      aria-live="polite"
      data-progress={isRunning ? '' : undefined}
    >
      {isLong && <span className="sr-only">Composing, {Math.round((progress ?? 0) * 100)} %</span>}
      {isLong && <div className="h-full bg-primary" style={{ width: `${Math.max(3, (progress ?? 0) * 100)}%` }} />}
    </div>
  );
}
