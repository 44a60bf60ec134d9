'use client';
import { useKeys } from '../../shared/useKeys';
import { useBench } from '../state/benchStore';
import { layerActions } from './layerActions';

/** The keys of what can be done with the chosen layers. */
export function LayerKeys() {
  const bound = layerActions(useBench()).flatMap(({ keys }) => (keys === '' ? [] : [keys]));
  return bound.map((keys) => <LayerKey key={keys} keys={keys} />);
}

function LayerKey({ keys }: { readonly keys: string }) {
  const view = useBench();
  useKeys(
    keys,
    (event) => {
      const action = layerActions(view).find((one) => one.keys === keys);
      if (action?.possible !== true) return;
      event.preventDefault();
      action.run();
    },
    { unless: copiesWords },
  );
  return null;
}

/** Whether the browser is asked to copy words that are selected on the page. */
function copiesWords(event: KeyboardEvent): boolean {
  const copies = (event.ctrlKey || event.metaKey) && /^[cx]$/i.test(event.key);
  return copies && (getSelection()?.toString() ?? '') !== '';
}
