import { useState } from 'react';
import { OUTPUTS } from '@/core/outputs';

/** What was chosen when something was sent last; it is where the dialog begins. */
export interface SendChoices {
  readonly outputs: readonly string[];
  readonly formatInNames: boolean;
  readonly staysHere: boolean;
  readonly premultiplied: boolean;
}

const KEY = 'gilder-send';
const FIRST: SendChoices = {
  outputs: [OUTPUTS.list[0].id],
  formatInNames: false,
  staysHere: false,
  premultiplied: false,
};

/** What was chosen last on this machine, and what sets it. */
export function useSendChoices(): readonly [SendChoices, (change: Partial<SendChoices>) => void, () => void] {
  const [choices, setChoices] = useState(readChoices);
  return [
    choices,
    (change) => setChoices((now) => ({ ...now, ...change })),
    () => window.localStorage.setItem(KEY, JSON.stringify(choices)),
  ];
}

function readChoices(): SendChoices {
  let kept: unknown = null;
  try {
    kept = JSON.parse(window.localStorage.getItem(KEY) ?? 'null');
  } catch {
    return FIRST;
  }
  if (typeof kept !== 'object' || kept === null) return FIRST;
  const { outputs, formatInNames, staysHere, premultiplied }: Partial<Record<keyof SendChoices, unknown>> =
    kept;
  const known = Array.isArray(outputs)
    ? OUTPUTS.list.map(({ id }) => id).filter((id) => outputs.includes(id))
    : [];
  return {
    outputs: known.length === 0 ? FIRST.outputs : known,
    formatInNames: formatInNames === true,
    staysHere: staysHere === true,
    premultiplied: premultiplied === true,
  };
}
