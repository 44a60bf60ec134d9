// Fills in a template and gives a still, with nothing but fetch: renderStill('Tideline strap', { name: 'Ilse Marrow' }).

interface State {
  readonly status: string;
  readonly error: string | null;
  readonly files: readonly { readonly href: string }[];
}

interface Where {
  readonly base: string;
  readonly key: string;
}

/** A still of a released template with words, as a PNG. Throws with what was refused, or what went wrong. */
export async function renderStill(
  template: string,
  values: Readonly<Record<string, string>>,
  { base, key }: Where,
): Promise<Uint8Array> {
  const ask = async (path: string, init: RequestInit = {}): Promise<Response> => {
    const headers = { ...init.headers, Authorization: `Bearer ${key}` };
    const answer = await fetch(base + path, { ...init, headers });
    if (!answer.ok) throw new Error(await answer.text());
    return answer;
  };
  const shelf: { readonly name: string; readonly edition: string }[] = await (
    await ask('/api/v1/templates')
  ).json();
  const edition = shelf.find(({ name }) => name === template)?.edition;
  const ordered = await ask('/api/v1/renders', {
    method: 'POST',
    // The same order sent again is taken once.
    headers: { 'Content-Type': 'application/json', 'Idempotency-Key': crypto.randomUUID() },
    body: JSON.stringify({ edition, values, output: 'png-still' }),
  });
  const { id }: { readonly id: string } = await ordered.json();
  for (;;) {
    const state: State = await (await ask(`/api/v1/renders/${id}`)).json();
    if (state.status === 'done') return new Uint8Array(await (await ask(state.files[0].href)).arrayBuffer());
    if (state.error !== null) throw new Error(state.error);
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
}
