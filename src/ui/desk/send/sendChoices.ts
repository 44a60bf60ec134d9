import { useState } from 'react';
import { OUTPUTS } from '@/core/outputs';
import { USUAL_NAMES } from '@/core/outputs/namePattern';
import type { PresetChoices } from './Presets';

/** What was chosen when something was sent last; it is where the dialog begins. */
export interface SendChoices extends PresetChoices {
  readonly staysHere: boolean;
}

const KEY = 'gilder-send';
const FIRST: SendChoices = {
  outputs: [OUTPUTS.list[0].id],
  names: USUAL_NAMES,
  staysHere: false,
  premultiplied: false,
  fine: false,
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
  const {
    outputs,
    names,
    folder,
    staysHere,
    premultiplied,
    fine,
  }: Partial<Record<keyof SendChoices, unknown>> = kept;
  const known = Array.isArray(outputs)
    ? OUTPUTS.list.map(({ id }) => id).filter((id) => outputs.includes(id))
    : [];
  return {
    outputs: known.length === 0 ? FIRST.outputs : known,
    names: typeof names === 'string' ? names : FIRST.names,
    ...(typeof folder === 'string' ? { folder } : {}),
    staysHere: staysHere === true,
    premultiplied: premultiplied === true,
    fine: fine === true,
  };
}
