'use client';

/** Goes to the settings of what is chosen: those that are shown, or the ones of a number from 0. */
export function focusSettings(number?: number): void {
  const tabs = [...document.querySelectorAll<HTMLElement>('[data-settings] [role="tab"]')];
  const shown = tabs.find((tab) => tab.getAttribute('aria-selected') === 'true');
  const tab = number === undefined ? shown : tabs[number];
  if (number !== undefined) tab?.click();
  tab?.focus();
}
