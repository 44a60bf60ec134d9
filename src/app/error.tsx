'use client';
import { Button } from '@/ui/shared/Button';

interface Props {
  readonly error: Error;
  readonly reset: () => void;
}

export default function ErrorPage({ error, reset }: Props) {
  return (
    <main className="p-8">
      <h1 className="font-serif text-[20px] font-semibold">This screen stopped working</h1>
      <p className="py-2 text-soft">{error.message}</p>
      <p className="pb-3 text-soft">
        What was saved is safe. Try the screen again; if it stops again, reload the page.
      </p>
      <Button look="gold" onClick={reset}>
        Try again
      </Button>
    </main>
  );
}
