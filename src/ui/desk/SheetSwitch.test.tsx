import { beforeEach, expect, test } from '@jest/globals';
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { sheetAsked } from './deskAddress';
import { useDesk } from './deskContext';
import { createDeskView, renderOnDesk } from './deskForTest';
import { SheetSwitch } from './SheetSwitch';
import { useSheetInAddress } from './useSheetInAddress';

function Switch() {
  useSheetInAddress(useDesk().ui);
  return <SheetSwitch />;
}

const tab = (name: string): HTMLElement => screen.getByRole('tab', { name });

beforeEach(() => window.history.replaceState(null, '', '/desk/p'));

test('the sheet that lies open is in the address, by mouse and by keys, and titles need no word there', async () => {
  renderOnDesk(createDeskView({ titles: [] }), <Switch />);
  await userEvent.click(tab('Captions'));
  expect(tab('Captions')).toHaveAttribute('aria-selected', 'true');
  expect(window.location.search).toBe('?sheet=captions');
  await userEvent.keyboard('{ArrowRight}');
  expect(tab('Credits')).toHaveFocus();
  expect(window.location.search).toBe('?sheet=credits');
  await userEvent.keyboard('{ArrowRight}');
  expect(`${window.location.pathname}${window.location.search}`).toBe('/desk/p');
  tab('Credits').focus();
  await userEvent.keyboard(' ');
  expect(tab('Credits')).toHaveAttribute('aria-selected', 'true');
});

test('before the page is awake a click follows a link to the sheet; one that asks for another window is left to the browser', async () => {
  renderOnDesk(createDeskView({ titles: [] }), <Switch />);
  const asked = (name: string): string => {
    const { searchParams } = new URL(tab(name).getAttribute('href') ?? '', 'http://h/desk/p?sheet=credits');
    return sheetAsked(searchParams.get('sheet'));
  };
  expect([asked('Captions'), asked('Credits')]).toEqual(['captions', 'credits']);
  // The one that lies open goes nowhere: a second click must not load the page anew under what is being typed.
  expect(tab('Titles')).not.toHaveAttribute('href');
  await userEvent.click(tab('Credits'));
  expect(tab('Credits')).not.toHaveAttribute('href');
  expect(asked('Titles')).toBe('titles');
  await userEvent.click(tab('Titles'));
  const left: boolean[] = [];
  const note = (event: Event): void => {
    left.push(!event.defaultPrevented);
    event.preventDefault();
  };
  window.addEventListener('click', note, { once: true });
  const user = userEvent.setup();
  await user.keyboard('{Control>}');
  await user.click(tab('Captions'));
  expect(left).toEqual([true]);
  expect(tab('Titles')).toHaveAttribute('aria-selected', 'true');
});

test('an address that asks for no sheet, or for one that there is not, opens the titles', () => {
  for (const asked of [undefined, '', 'sheets', ['captions', 'credits'], null])
    expect(sheetAsked(asked)).toBe('titles');
});
