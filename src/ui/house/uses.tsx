import type { TemplateRecord } from '@/contract/templates';
import { counted } from '../shared/counted';

/** Where something of the House is used, in words. */
export function Uses({
  templates,
  count,
}: {
  readonly templates: readonly TemplateRecord[];
  readonly count: (template: TemplateRecord['document']) => number;
}) {
  const used = templates.flatMap(({ document }) => {
    const places = count(document);
    return places === 0 ? [] : [{ name: document.name, places }];
  });
  if (used.length === 0) return <span className="text-soft">not used yet</span>;
  const places = used.reduce((sum, one) => sum + one.places, 0);
  return (
    <span
      className="block truncate text-soft"
      title={used.map((one) => `${one.name}: ${one.places}`).join('\n')}
    >
      {`${counted(places, 'place')} in ${used.map(({ name }) => name).join(', ')}`}
    </span>
  );
}

/** An entry as it is in force, which is what templates have; one that is new, as it is. */
export function asInForce<T extends { readonly id: string }>(list: readonly T[], one: T): T {
  return list.find(({ id }) => id === one.id) ?? one;
}
