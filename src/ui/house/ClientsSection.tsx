'use client';
import { formatDistanceToNow } from 'date-fns';
import Link from 'next/link';
import { useCallback, useEffect, useState } from 'react';
import { toast } from 'sonner';
import type { ClientFacts, MadeClient } from '@/contract/clients';
import { ask, wordsOf } from '../shared/api';
import { Button } from '../shared/Button';
import { KeepForm } from '../shared/KeepForm';
import { Pill } from '../shared/Pill';

/** Other systems that may order stills and videos, each with a key of its own. */
export function ClientsSection() {
  const [clients, setClients] = useState<readonly ClientFacts[]>([]);
  const [made, setMade] = useState<(MadeClient & { readonly name: string }) | null>(null);
  const reload = useCallback(() => {
    ask<ClientFacts[]>('clients').then(setClients, () => undefined);
  }, []);
  useEffect(reload, [reload]);
  const work = async (doing: () => Promise<void>): Promise<void> => {
    await doing().catch((error: unknown) => toast.error(wordsOf(error)));
    reload();
  };
  const make = (name: string): Promise<void> =>
    work(async () => {
      setMade({ ...(await ask<MadeClient>('clients', { method: 'POST', body: { name } })), name });
    });
  const withdraw = (id: string): Promise<void> =>
    work(async () => {
      await ask(`clients/${id}/withdraw`, { method: 'POST' });
      setMade((now) => (now?.id === id ? null : now));
    });
  const inForce = clients.filter(({ withdrawnAt }) => withdrawnAt === null).length;
  return (
    <>
      <p className="pb-3 text-soft">
        Other systems on this machine can fill in published templates and fetch stills and videos, each with a
        key of its own. {inForce === 0 ? 'While there is no key, nothing can be asked.' : ''}{' '}
        <Link className="underline" href="/house/interface">
          What they can ask for
        </Link>
        .
      </p>
      <div className="max-w-md pb-3">
        <KeepForm
          label="Name of the client"
          placeholder="Name of the system"
          action="Make a key"
          onKeep={(name) => void make(name)}
        />
      </div>
      {made !== null && (
        <div role="status" className="mb-4 rounded-lg border border-leaf bg-leaf-wash p-3">
          <p className="pb-1 font-semibold">{`The key of ${made.name}, shown this once`}</p>
          <p className="flex items-center gap-3">
            <code className="min-w-0 flex-1 break-all font-mono text-[13px]">{made.key}</code>
            <Button
              onClick={() =>
                void navigator.clipboard.writeText(made.key).then(() => toast('The key is copied.'))
              }
            >
              Copy
            </Button>
          </p>
        </div>
      )}
      {clients.length === 0 && <p className="text-soft">No key was made yet.</p>}
      <ul className="border-t border-line">
        {clients.map((client) => (
          <Client key={client.id} client={client} onWithdraw={() => void withdraw(client.id)} />
        ))}
      </ul>
    </>
  );
}

interface ClientProps {
  readonly client: ClientFacts;
  readonly onWithdraw: () => void;
}

function Client({ client: { name, keyStart, usedAt, withdrawnAt }, onWithdraw }: ClientProps) {
  const used = usedAt === null ? 'never used' : `last used ${formatDistanceToNow(new Date(usedAt))} ago`;
  return (
    <li className="flex items-center gap-3 border-b border-line py-1.5">
      <span className="min-w-0 flex-1 truncate font-semibold">{name}</span>
      <code className="font-mono text-[12.5px] text-soft">{`${keyStart}…`}</code>
      <span className="w-48 text-soft">{used}</span>
      {withdrawnAt === null ? (
        <Button title="Nothing can be asked with its key any more" onClick={onWithdraw}>
          Withdraw
        </Button>
      ) : (
        <Pill tone="quiet">withdrawn</Pill>
      )}
    </li>
  );
}
