'use client';
import { XMarkIcon } from '@heroicons/react/24/outline';
import { ProgressBar } from './ProgressBar';
import { useUploads } from './uploads';

const megabytes = (bytes: number): string => (bytes / 1e6).toFixed(bytes < 10e6 ? 1 : 0);

/** What is being sent to the server, each with how far it is and a way to cancel it. */
export function UploadTray() {
  const { list } = useUploads();
  if (list.length === 0) return null;
  return (
    <section
      aria-label="Files being sent"
      className="fixed right-4 bottom-4 z-50 w-80 rounded-xl border border-line-strong bg-card p-3 shadow-lg"
    >
      <ul className="grid gap-3">
        {list.map(({ id, name, sentBytes, totalBytes, waits, cancel }) => (
          <li key={id}>
            <span className="flex items-center gap-2">
              <span className="min-w-0 flex-1 truncate font-semibold">{name}</span>
              {cancel !== null && (
                <button
                  type="button"
                  aria-label={`Cancel sending ${name}`}
                  onClick={cancel}
                  className="grid h-7 w-7 place-items-center rounded-lg hover:bg-paper"
                >
                  <XMarkIcon className="h-4 w-4" />
                </button>
              )}
            </span>
            <ProgressBar
              label={cancel === null ? name : `Sending ${name}`}
              done={sentBytes}
              total={totalBytes}
            />
            <span className="text-[12px] text-soft">
              {waits
                ? 'The connection broke; going on by itself.'
                : cancel === null
                  ? `${Math.round((sentBytes / totalBytes) * 100)} % made on the server`
                  : sentBytes >= totalBytes
                    ? 'Sent. It is being checked.'
                    : `${megabytes(sentBytes)} of ${megabytes(totalBytes)} MB`}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
