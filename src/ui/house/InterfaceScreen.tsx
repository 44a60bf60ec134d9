import Link from 'next/link';
import type { FieldRow, ShownOperation } from '@/contract/openapi/shownOperations';
import { TopBar } from '../shared/TopBar';

interface ScreenProps {
  readonly operations: readonly ShownOperation[];
}

/** What other systems can ask for, as the server itself describes it. */
export function InterfaceScreen({ operations }: ScreenProps) {
  return (
    <div className="flex h-dvh flex-col">
      <TopBar middle={<h1 className="font-serif text-[17px] font-semibold">For other systems</h1>} />
      <main id="content" tabIndex={-1} className="outline-none min-h-0 flex-1 overflow-y-auto p-6">
        <div className="mx-auto max-w-4xl">
          <p className="pb-2 text-soft">
            Stills and videos of published templates, over HTTP on this machine. Every request has a key in
            its head: <code className="font-mono text-[12.5px]">Authorization: Bearer gld_…</code>. Keys are
            made in the{' '}
            <Link className="underline" href="/house">
              House
            </Link>
            , under “Other systems”. The same as OpenAPI 3.1 for programs:{' '}
            <a className="underline" href="/api/openapi">
              /api/openapi
            </a>
            .
          </p>
          <ul className="grid gap-4">
            {operations.map((operation) => (
              <li key={`${operation.method} ${operation.path}`}>
                <OperationCard {...operation} />
              </li>
            ))}
          </ul>
        </div>
      </main>
    </div>
  );
}

function OperationCard({ method, path, says, sent, status, answered, mediaType, refusals }: ShownOperation) {
  return (
    <article aria-label={`${method} ${path}`} className="rounded-xl border border-line bg-card p-4">
      <h2 className="font-mono text-[14px] font-semibold">{`${method} ${path}`}</h2>
      <p className="pt-1">{says}</p>
      {sent.length > 0 && <Fields caption="What is sent, as JSON" rows={sent} />}
      {answered.length > 0 ? (
        <Fields caption={`What is answered (${status}), as JSON`} rows={answered} />
      ) : (
        <p className="pt-3 text-soft">
          {mediaType === ''
            ? `Answered with ${status} and nothing else.`
            : `Answered with ${status}: ${mediaType}.`}
        </p>
      )}
      <details className="pt-3">
        <summary className="cursor-pointer text-soft">What is refused</summary>
        <ul className="pt-1">
          {refusals.map((refusal) => (
            <li key={refusal.status}>
              <span className="font-mono text-[12.5px]">{refusal.status}</span> {refusal.says}
            </li>
          ))}
        </ul>
      </details>
    </article>
  );
}

function Fields({ caption, rows }: { readonly caption: string; readonly rows: readonly FieldRow[] }) {
  return (
    <table className="mt-3 w-full table-fixed text-left">
      <caption className="pb-1 text-left font-semibold">{caption}</caption>
      <thead>
        <tr className="text-soft">
          <th className="w-1/3 font-normal">Field</th>
          <th className="font-normal">What it is</th>
          <th className="w-28 font-normal">There</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ name, takes, required }) => (
          <tr key={name} className="border-t border-line align-top">
            <td className="py-1 pr-3 font-mono text-[12.5px] break-words">{name}</td>
            <td className="py-1 pr-3">{takes}</td>
            <td className="py-1 text-soft">{required ? 'always' : 'may be left out'}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
