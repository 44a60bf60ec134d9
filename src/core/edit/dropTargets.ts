import type { Template } from '../model/template';

/** The template with layers taken out of the groups, or the stacks, that they are in; emptied ones are left empty. */
export function dropTargets(template: Template, ids: readonly string[], kind: 'group' | 'stack'): Template {
  return {
    ...template,
    layers: template.layers.map((layer) =>
      layer.kind === kind ? { ...layer, members: layer.members.filter((id) => !ids.includes(id)) } : layer,
    ),
  };
}
