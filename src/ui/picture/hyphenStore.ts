import type { HyphenRules } from 'hyphen';

const rules = new Map<string, HyphenRules>();
const asked = new Set<string>();
const RETRY_AFTER_MS = 3000;

const addressOf = (name: string): string => `/hyphens/${name}.json`;

/**
 * The patterns with a name. A worker waits for them; a page has null until they are here, and is told when, so that it
 * lays out again. What could not be fetched is asked for again after a while.
 */
export function hyphenRules(name: string, came: () => void): HyphenRules | null {
  const here = rules.get(name);
  if (here !== undefined || asked.has(name)) return here ?? null;
  asked.add(name);
  const failed = (): void => void setTimeout(() => asked.delete(name), RETRY_AFTER_MS);
  if (typeof document === 'undefined') {
    const taken = take(name, fetchAtOnce(name));
    if (taken === null) failed();
    return taken;
  }
  void fetch(addressOf(name))
    .then(async (response) => {
      if (!response.ok || take(name, await response.json()) === null) throw new Error(name);
      came();
    })
    .catch(failed);
  return null;
}

function take(name: string, value: unknown): HyphenRules | null {
  if (!Array.isArray(value)) return null;
  rules.set(name, value);
  return value;
}

/** A worker has nothing else to do meanwhile, and what it lays out is not laid out again. */
function fetchAtOnce(name: string): unknown {
  try {
    const request = new XMLHttpRequest();
    request.open('GET', addressOf(name), false);
    request.send();
    return request.status === 200 ? JSON.parse(request.responseText) : null;
  } catch {
    return null;
  }
}
