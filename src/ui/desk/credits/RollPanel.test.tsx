import { expect, test } from '@jest/globals';
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { besideRoll } from '../../../../demo/besideRoll';
import { harbourRoll } from '../../../../demo/creditTemplates';
import { FORMATS } from '@/core/frame/formats';
import type { Template } from '@/core/model/template';
import { createDeskView, deskTitle, renderOnDesk } from '../deskForTest';
import { RollPanel } from './RollPanel';

const open = (document: Template) => {
  const edition = { id: 'e', templateId: 't', number: 1, document, releasedAt: '2026-11-25T00:00:00.000Z' };
  const others = [deskTitle('a', 0, {}, 'e'), deskTitle('b', 200, {}, 'e')];
  const view = createDeskView({ titles: others, editions: [edition], ui: { selection: ['b'] } });
  renderOnDesk(view, <RollPanel format={FORMATS.get('wide-1080')} fonts={null} onSeek={() => undefined} />);
  return view;
};

test('what else a title with credits says is typed beside them, of that title alone', async () => {
  const view = open(besideRoll);
  await userEvent.type(screen.getByLabelText('What comes next'), 'The weir by night');
  expect(view.store.getState().titles.map(({ values }) => values)).toEqual([
    {},
    { [besideRoll.fields[0].id]: 'The weir by night' },
  ]);
});

test('credits that say nothing else have no fields', () => {
  open({ ...harbourRoll, fields: [] });
  expect(screen.getByLabelText('Length of the credits')).toBeInTheDocument();
  expect(screen.queryByRole('region', { name: 'Fields of the credits' })).not.toBeInTheDocument();
});
