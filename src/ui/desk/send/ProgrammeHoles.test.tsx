import { expect, test } from '@jest/globals';
import { besideRoll } from '../../../../demo/besideRoll';
import { tidelineStrap } from '../../../../demo/templates';
import { OUTPUTS } from '@/core/outputs';
import type { Template } from '@/core/model/template';
import { createDeskView, deskTitle, renderOnDesk } from '../deskForTest';
import { ProgrammeHoles } from './ProgrammeHoles';

const edition = (id: string, document: Template) => ({
  id,
  templateId: id,
  number: 1,
  document,
  releasedAt: '2026-11-25T00:00:00.000Z',
});

function said(titleIds: readonly string[], outputs: readonly string[]): string {
  const titles = [
    deskTitle('a', 0, {}, 'beside'),
    deskTitle('b', 200, {}),
    deskTitle('c', 400, {}, 'beside'),
  ];
  const editions = [edition('beside', besideRoll), edition('strap-1', tidelineStrap)];
  const { container, unmount } = renderOnDesk(
    createDeskView({ titles, editions }),
    <ProgrammeHoles titleIds={titleIds} outputs={outputs.map((id) => OUTPUTS.get(id))} />,
  );
  const { textContent } = container;
  unmount();
  return textContent ?? '';
}

test('files that are laid over the programme later say where they are a hole; those with pictures have none', () => {
  expect(said(['b'], ['mov-prores'])).toBe('');
  expect(said(['a', 'b'], ['mp4-h264'])).toBe('');
  const { short } = OUTPUTS.get('mov-prores');
  expect(said(['a', 'b'], ['mp4-h264', 'mov-prores'])).toBe(
    `1 title shows the programme smaller. In ${short} its place is a hole, through which the mixer’s own picture is seen.`,
  );
  expect(said(['a', 'b', 'c'], ['mov-prores'])).toContain('2 titles show the programme smaller.');
});
