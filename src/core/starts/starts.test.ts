import { describe, expect, test } from '@jest/globals';
import { FORMATS } from '../frame/formats';
import { safeArea } from '../frame/safeAreas';
import { resolveLayout } from '../layout/resolveLayout';
import { parseTemplate } from '../model/templateSchema';
import { resolve } from '../resolve/resolve';
import { serverFonts } from '../../server/fontFiles';

import { STARTS } from './index';

const asked = { name: 'Dock line', kind: 'name-strap', production: 'Night Ferry', rate: '25' };

describe('what a new template begins with', () => {
  test.each(STARTS.list.map((start) => [start.id, start] as const))('%s is a whole template', (_, start) => {
    const template = start.begin({ ...asked, format: 'wide-1080' });
    expect(parseTemplate(template, 'Start')).toEqual(template);
    expect(template).toMatchObject({ ...asked, formats: ['wide-1080'] });
  });

  test.each(['wide-1080', 'tall-1080', 'classic-576'])(
    'two lines in %s: a name, a role that may be missing below it, on a panel in the corner of title safe',
    async (id) => {
      const format = FORMATS.get(id);
      const template = STARTS.get('two-lines').begin({ ...asked, format: id });
      expect(template.fields.map(({ label, required }) => [label, required])).toEqual([
        ['Name', true],
        ['Role', false],
      ]);
      const placed = resolveLayout(
        resolve(template, { format }).template.layers,
        format,
        await serverFonts(),
      );
      const boxOf = (name: string) => {
        const layer = template.layers.find((one) => one.name === name);
        const found = placed.get(layer?.id ?? '');
        if (found === undefined) throw new Error(`No ${name}`);
        return found.box;
      };
      const [name, role, panel] = ['Name', 'Role', 'Panel'].map(boxOf);
      expect(role.y).toBeGreaterThanOrEqual(name.y + name.height);
      expect(role.x).toBeCloseTo(name.x, 3);
      expect(panel.y + panel.height).toBeGreaterThan(role.y + role.height);
      const safe = safeArea(format, 'titleSafe');
      expect(panel.x).toBeCloseTo(safe.x, 0);
      expect(Math.abs(panel.y + panel.height - safe.y - safe.height)).toBeLessThanOrEqual(2);
    },
  );
});
